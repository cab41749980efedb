import { expect, test } from 'vitest'
import { samples } from '@/tests/support/problems'
import { aOrAn, counted, inSentence, listed, plural, sameJson, wordProblem } from '.'

test.each(Object.values(samples))('$kind is told in a whole sentence, without codes', (problem) => {
  const words = wordProblem(problem)
  // An operator that is spoken of may stand first, or how many there are.
  expect(words).toMatch(/^(?:[\p{Lu}“]|[+|] ?|\d+ ).*[.?]$/su)
  expect(words).not.toMatch(/undefined|NaN|\[object|[Ee]rror|[Ii]nvalid|null/)
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
