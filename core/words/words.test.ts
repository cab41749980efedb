import { expect, test } from 'vitest'
import type { Problem } from './problem'
import { aOrAn, counted, inSentence, listed, plural, sameJson, wordProblem } from '.'

const field = 'Price'
const table = 'Visit'
/** One of each problem; the type checker asks for a new one when a kind is added. */
const samples: { readonly [Kind in Problem['kind']]: Extract<Problem, { kind: Kind }> } = {
  blank: { kind: 'blank', field },
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
  taken: { kind: 'taken', table: 'Visit', fields: ['Code', 'Room'] },
  'linked-already': { kind: 'linked-already', table: 'Hire costume', to: ['Hire', 'Costume'] },
  'no-such-record': { kind: 'no-such-record', table },
  'dead-link': { kind: 'dead-link', field, table },
  'left-without': { kind: 'left-without', table: 'Appliance', record: 'A-00007', child: 'Visit' },
  'not-plain': { kind: 'not-plain', table: 'Visit part' },
  'rule-without-words': { kind: 'rule-without-words' },
  'not-live-name': { kind: 'not-live-name', name: 'select', because: 'databases keep that word to themselves' },
  'list-holds-facts': { kind: 'list-holds-facts', table: 'Fuel' },
  'key-stays': { kind: 'key-stays', field: 'Serial code' },
  'needs-one': { kind: 'needs-one', table: 'Appliance', child: 'Visit' },
  twice: { kind: 'twice', child: 'Part', value: 'x' },
  'in-use': {
    kind: 'in-use',
    table,
    by: [
      { table: 'Payment', count: 2 },
      { table: 'Work line', count: 1 },
    ],
  },
  'changed-meanwhile': { kind: 'changed-meanwhile', by: 'Rosa' },
  'database-refused': { kind: 'database-refused' },
  'file-too-big': { kind: 'file-too-big', megabytes: 5 },
  'file-not-picture': { kind: 'file-not-picture', name: 'x.txt' },
  'no-such-file': { kind: 'no-such-file' },
  'file-empty': { kind: 'file-empty', name: 'flue.png' },
  'not-open': { kind: 'not-open', book: 'Emberly' },
  'not-allowed': { kind: 'not-allowed' },
  gone: { kind: 'gone', what: 'table' },
  'name-blank': { kind: 'name-blank', what: 'field' },
  'name-too-long': { kind: 'name-too-long', what: 'field', limit: 60 },
  'name-taken': { kind: 'name-taken', what: 'field', name: field, within: table },
  'too-many': { kind: 'too-many', what: 'link', limit: 900 },
  stale: { kind: 'stale', what: 'The list' },
  'nothing-to-change': { kind: 'nothing-to-change' },
  'setting-out-of-range': { kind: 'setting-out-of-range', setting: 'Length', least: 1, most: 700 },
  'bounds-crossed': { kind: 'bounds-crossed', least: '14', most: '2' },
  'choice-blank': { kind: 'choice-blank' },
  'choice-twice': { kind: 'choice-twice', choice: 'done' },
  'setting-not-value': {
    kind: 'setting-not-value',
    setting: 'At least',
    because: '“x” is not a whole number such as 12.',
  },
  'not-as-key': { kind: 'not-as-key', field, because: 'it may be blank' },
  'link-needs-key': { kind: 'link-needs-key', table },
  'link-by-pairing': { kind: 'link-by-pairing' },
  'key-holds-links': { kind: 'key-holds-links', table, links: ['Payment'] },
  'joining-holds-facts': { kind: 'joining-holds-facts', table, fields: ['Quantity'] },
  'joining-linked': { kind: 'joining-linked', table, by: ['Certificate'] },
  'must-cannot-leave': { kind: 'must-cannot-leave', field },
  'nothing-to-undo': { kind: 'nothing-to-undo' },
  'nothing-to-redo': { kind: 'nothing-to-redo' },
  clash: { kind: 'clash', by: 'Rosa', did: 'Rename Visit' },
  'not-a-book': { kind: 'not-a-book' },
  'wrong-sign-in': { kind: 'wrong-sign-in' },
  wait: { kind: 'wait', seconds: 4 },
  'password-short': { kind: 'password-short', least: 10 },
  'account-name': { kind: 'account-name', limit: 80 },
  'account-taken': { kind: 'account-taken', name: 'Rosa' },
  'already-started': { kind: 'already-started' },
  'last-administrator': { kind: 'last-administrator' },
  'signed-out': { kind: 'signed-out' },
  'password-long': { kind: 'password-long', most: 200 },
  'password-common': { kind: 'password-common' },
  'wrong-password': { kind: 'wrong-password' },
  'own-account': { kind: 'own-account' },
  'account-gone': { kind: 'account-gone' },
  'not-yours-to-manage': { kind: 'not-yours-to-manage', name: 'Bram' },
  'asks-too-much': { kind: 'asks-too-much', seconds: 15 },
  'condition-too-heavy': { kind: 'condition-too-heavy', most: 60 },
  busy: { kind: 'busy' },
  'save-too-big': { kind: 'save-too-big', megabytes: 16 },
  'form-outdated': { kind: 'form-outdated', table: 'Visit' },
  'being-opened': { kind: 'being-opened', book: 'Emberly Flue Care' },
  'disk-full': { kind: 'disk-full', free: 12, least: 64 },
  'no-answer': { kind: 'no-answer' },
  unexpected: { kind: 'unexpected' },
}

test.each(Object.values(samples))('$kind is told in a whole sentence, without codes', (problem) => {
  const words = wordProblem(problem)
  expect(words).toMatch(/^[\p{Lu}“].*\.$/su)
  expect(words).not.toMatch(/undefined|NaN|\[object|error|invalid|null/i)
})

test('sentences name what is wrong and what would be right', () => {
  expect(wordProblem(samples['needs-one'])).toBe('An appliance needs at least one visit. Add it below.')
  expect(wordProblem(samples['in-use'])).toBe(
    'This visit is still used by 2 payments and 1 work line. Remove or change those first.',
  )
  expect(wordProblem(samples.taken)).toBe(
    'Another visit already has the same Code and Room. At least one of them must be different.',
  )
  expect(wordProblem({ kind: 'taken', table: 'Part', fields: ['Part code'], value: 'FLUE-1' })).toBe(
    'Another part already has “FLUE-1” as its Part code; it must be different for each.',
  )
  expect(wordProblem(samples['linked-already'])).toBe('This costume is already on this hire.')
  expect(wordProblem({ kind: 'linked-already', table: 'Certificate', to: ['Visit'] })).toBe(
    'This visit already has a certificate.',
  )
  expect(wordProblem({ kind: 'not-whole', text: 'x'.repeat(100) })).toHaveLength(76)
})

test.each([
  ['Service item', 'Service items'],
  ['Box', 'Boxes'],
  ['Company', 'Companies'],
  ['Day', 'Days'],
  ['Premises', 'Premises'],
  ['Way of paying', 'Ways of paying'],
  ['Visit', 'Visits'],
])('several of %s are %s', (one, several) => {
  expect(plural(one)).toBe(several)
})

test('lists, counts and nouns read as people write them', () => {
  expect([listed([]), listed(['a']), listed(['a', 'b']), listed(['a', 'b', 'c'], 'or')]).toEqual([
    '',
    'a',
    'a and b',
    'a, b or c',
  ])
  expect([counted(1, 'visit'), counted(2500, 'visit')]).toEqual(['1 visit', '2,500 visits'])
  expect([inSentence('Visit code'), inSentence('VAT rate'), inSentence('E-mail')]).toEqual([
    'visit code',
    'VAT rate',
    'E-mail',
  ])
  expect([aOrAn('appliance'), aOrAn('visit')]).toEqual(['an appliance', 'a visit'])
})

test('two pieces of JSON are the same whatever the order of their keys', () => {
  expect(sameJson({ a: 1, b: [1, { c: null }] }, { b: [1, { c: null }], a: 1 })).toBe(true)
  expect(sameJson({ a: undefined, b: 1 }, { b: 1 })).toBe(true)
  for (const [left, right] of [
    [{ a: 1 }, { a: 2 }],
    [[1], [1, 2]],
    [[], {}],
    [null, {}],
    ['1', 1],
  ] as const)
    expect(sameJson(left, right)).toBe(false)
})
