/**
 * Letters to capitals one by one, as MariaDB does it: a letter whose capital would be several letters
 * (ß, ŉ) stays as it is.
 */
export const simpleUpper = (text: string) => caseOf(text, (letter) => letter.toUpperCase())
export const simpleLower = (text: string) => caseOf(text, (letter) => letter.toLowerCase())

function caseOf(text: string, change: (letter: string) => string): string {
  if (/^[\x20-\x7e]*$/.test(text)) return change(text)
  let made = ''
  for (const letter of text) {
    const changed = change(letter)
    made += [...changed].length === 1 ? changed : letter
  }
  return made
}

const collator = new Intl.Collator('und', { sensitivity: 'accent' })

/** Whether two texts are alike: capital and small letters are, accents make a difference, spaces behind don't count. */
export function alike(a: string, b: string): boolean {
  if (a === b) return true
  const [left, right] = [a.replace(/ +$/, ''), b.replace(/ +$/, '')]
  if (/^[\x20-\x7e]*$/.test(left) && /^[\x20-\x7e]*$/.test(right)) return left.toLowerCase() === right.toLowerCase()
  return collator.compare(left, right) === 0
}

/** LIKE: % stands for any letters, _ for one; capitals don't matter, spaces do. Linear but for the last %. */
export function isLike(text: string, pattern: string, escape: string): boolean {
  const letters = [...simpleLower(text)]
  const parts = patternParts(simpleLower(pattern), escape.toLowerCase())
  let [at, place, star, from] = [0, 0, -1, 0]
  while (at < letters.length) {
    const part = parts[place]
    if (part && part !== any && (part === one || part === letters[at])) [at, place] = [at + 1, place + 1]
    else if (part === any) [star, from, place] = [place, at, place + 1]
    else if (star >= 0) [at, from, place] = [from + 1, from + 1, star + 1]
    else return false
  }
  return parts.slice(place).every((part) => part === any)
}

// No letter is longer than two units, so these can't be taken for one.
const any = 'any letters'
const one = 'one letter'

function patternParts(pattern: string, escape: string): string[] {
  const parts: string[] = []
  const letters = [...pattern]
  for (let at = 0; at < letters.length; at++) {
    const letter = letters[at]!
    if (letter === escape && at + 1 < letters.length) parts.push(letters[++at]!)
    else parts.push(letter === '%' ? any : letter === '_' ? one : letter)
  }
  return parts
}
