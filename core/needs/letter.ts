/** Greetings, subjects, thanks and signatures of a letter. */
export function isChatter(text: string): boolean {
  return (
    /^(hi|hello|dear|hey|good (morning|afternoon|evening))\b/i.test(text) ||
    /^(subject|re|fwd|to|from|cc|date|sent)\s*:/i.test(text) ||
    /^(kind|best|warm|many|with kind)?\s*(regards|wishes|thanks)\b/i.test(text) ||
    /^(thanks?|thank you|cheers|yours|sincerely|all the best|see you|speak soon|take care|please (shout|let me know|call|ask))\b/i.test(
      text,
    ) ||
    /^(ps|p\.s)\b/i.test(text) ||
    /^(i hope|hope|as promised|here is|here are|below|you asked|as discussed|as you know|let me know|looking forward)\b/i.test(
      text,
    )
  )
}

/** Closings after which a name stands alone. */
const closing =
  /^(kind|best|warm|many|with kind)?\s*(regards|wishes|thanks)\b|^(yours|sincerely|all the best|cheers|see you|thanks)\b/i

/** Pasted lines without the greeting, subject and signature of a letter; what was left out comes too. */
export function withoutGreetings(lines: readonly string[]): { readonly needs: string[]; readonly left: string[] } {
  const needs: string[] = []
  const left: string[] = []
  let closed = false
  for (const line of lines) {
    const short = line.length < 60
    // After the closing there is only a name, or a function.
    const signature: boolean = closed && line.split(' ').length <= 4 && !/[.?!:]$/.test(line)
    if (short && (isChatter(line) || signature)) left.push(line)
    else needs.push(line)
    closed = (closed && signature) || (short && closing.test(line))
  }
  return { needs, left }
}
