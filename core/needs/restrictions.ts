/** Phrases that forbid, demand or bound something, so that a table or a field alone doesn't meet the need. */
const phrases: readonly RegExp[] = [
  /\b(?:must|can|should) ?(?:never|not (?:be|have|hold|go|start|end|exceed|take|overlap))\b/i,
  // "May not have a note" and "may not be known" leave something open.
  /\bmay (?:never|not (?:be (?!known|there|clear|sure)|hold|go|start|end|exceed|take|overlap|have (?:two|three|several|more)))/i,
  /\b(?:mustn[’']t|can[’']t|cannot|is not allowed|are not allowed|is forbidden|are forbidden|is refused|are refused)\b/i,
  /\bno [\p{L}-]+(?: [\p{L}-]+)? (?:may|can|must|is ever|are ever|is allowed|are allowed)\b/iu,
  /\bnever\b[^.;]*\b(?:twice|at the same time|at once|without|before|after|more than|less than|two)\b/i,
  /\b(?:is|are|be) only\b[^.;]*\b(?:by|if|when|with|to|for|after|before|once)\b/i,
  /\bonly (?:if|when|once|after|those|people|members|one)\b/i,
  /\bunless\b/i,
  /\b(?:no|not) (?:later|earlier|sooner|older|younger|longer|shorter|heavier) than\b/i,
  /\b(?:at most|at least|not more than|no more than|no fewer than|not less than|no less than) (?!one\b)(?:\d|[\p{L}]+)/iu,
  /\bmust be (?:before|after|over|under|older|younger|between|within|less|more|later|earlier)\b/i,
  /\bmust (?:all )?(?:differ|add up|balance|match)\b/i,
]

/**
 * Where the words of a need first lay down a rule: "must never be hired twice", "only if it was paid". The words are
 * those of the sentence from there to its end.
 */
export function restrictionIn(text: string): { readonly start: number; readonly words: string } | undefined {
  const starts = phrases.flatMap((phrase) => phrase.exec(text)?.index ?? [])
  if (starts.length === 0) return undefined
  const start = Math.min(...starts)
  const words = /^[^.;!?]*/.exec(text.slice(start))![0].trim()
  return { start, words: words.length > 60 ? `${words.slice(0, 59)}…` : words }
}
