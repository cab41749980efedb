/** A piece of a need that says one thing, with its place in the need's text. */
export interface Sentence {
  readonly text: string
  readonly start: number
}

/** Abbreviations whose full stop ends nothing. */
const abbreviation = /\b(e\.g|i\.e|etc|no|nr|approx|max|min|incl|mr|mrs|ms|dr|st|tel|vs)\.$/i

/** Cuts a need at its full stops, marks of question and exclamation. */
export function sentencesOf(text: string): Sentence[] {
  const sentences: Sentence[] = []
  let start = 0
  const close = (end: number) => {
    const words = text.slice(start, end)
    const lead = words.length - words.trimStart().length
    if (words.trim()) sentences.push({ text: words.trim(), start: start + lead })
    start = end
  }
  for (const match of text.matchAll(/[.!?]+(?=\s|$)/g)) {
    const end = match.index + match[0].length
    if (!abbreviation.test(text.slice(Math.max(0, end - 8), end))) close(end)
  }
  close(text.length)
  return sentences
}

/** What introduces needs without being one: "What we need to keep is roughly this." */
export const isIntroduction = (text: string) =>
  /^(what|this is|the following|these are|in short|in brief|that'?s (it|all))\b.*\b(keep|need|record|store|want|list|this|all)\b/i.test(
    text,
  ) &&
  !/\?$/.test(text) &&
  text.length < 90
