/**
 * Splits pasted words into needs, one to a line. Numbers, letters and bullets at the start of a line
 * go, since needs are numbered by themselves; blank lines go too.
 *
 * @example splitNeeds('1. A visit has a date.\n - two phones') // => ['A visit has a date.', 'two phones']
 */
export function splitNeeds(pasted: string): string[] {
  return pasted
    .replace(/\r\n?/g, '\n')
    .split('\n')
    .map((line) => line.replace(/^\s*(?:\(?\d{1,3}[.):]|[a-z][.)]|[-–—*•·▪◦]+)\s+/i, '').trim())
    .filter((line) => line !== '')
}
