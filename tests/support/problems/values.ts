import type { SamplesOf } from './samples-of'

const field = 'Price'

export const valuesSamples: SamplesOf<'values'> = {
  blank: { kind: 'blank', field },
  'link-unmatched': { kind: 'link-unmatched', words: 'Mill' },
  'too-long': { kind: 'too-long', limit: 5, length: 6 },
  'odd-characters': { kind: 'odd-characters' },
  'not-shaped': { kind: 'not-shaped', shape: 'V-, then five digits', example: 'V-00418' },
  'check-digit': { kind: 'check-digit' },
  'not-length': { kind: 'not-length', length: 6, found: 5 },
  'not-whole': { kind: 'not-whole', text: 'x' },
  'not-number': { kind: 'not-number', text: 'x', example: '12.5' },
  'too-many-decimals': { kind: 'too-many-decimals', decimals: 0 },
  'too-many-digits': { kind: 'too-many-digits', digits: 8 },
  below: { kind: 'below', least: '2' },
  above: { kind: 'above', most: '14' },
  'not-date': { kind: 'not-date', text: 'x', example: '12 Mar 2027' },
  'no-such-day': { kind: 'no-such-day', text: '29/2/2027' },
  'not-time': { kind: 'not-time', text: 'x' },
  'not-date-time': { kind: 'not-date-time', text: 'x', example: '12 Mar 2027, 09:30' },
  'not-tick': { kind: 'not-tick', text: 'x' },
  'not-choice': { kind: 'not-choice', text: 'x', choices: 'abcdefghij'.split('') },
  'not-mark': { kind: 'not-mark', text: 'x', scale: 5 },
  'not-email': { kind: 'not-email', text: 'x' },
  'not-phone': { kind: 'not-phone', text: 'x' },
  'not-web': { kind: 'not-web', text: 'x' },
  'given-by-book': { kind: 'given-by-book', field },
  'in-own-words': { kind: 'in-own-words', words: 'Ask the tower crew.' },
}
