import { expect, test } from 'vitest'
import { table } from '@/tests/support/tables'
import { made } from '@/tests/support/made'
import { type Edit, emptyBook } from '../book'
import { plainLook } from '../kinds'
import { allFieldRules } from '.'

const said = (...edits: Edit[]) =>
  allFieldRules(made(emptyBook('Test', plainLook), ...edits))
    .map((rule) => rule.sentence)
    .filter((sentence) => !sentence.includes('given by the book'))

test.each<[string, Parameters<typeof table>[1], string[]]>([
  ['must be filled', ['Town line', { must: true }], ['Town must be filled']],
  ['must be different', ['Plate code', { unique: true }], ['No two jobs have the same plate']],
  [
    'a range with its unit',
    ['Height exact', { least: '2', most: '14', unit: 'm' }],
    ['Height is from 2.00 m to 14.00 m'],
  ],
  ['a lower bound', ['Places whole', { least: '1' }], ['Places is at least 1']],
  ['an upper bound', ['Places whole', { most: '40' }], ['Places is at most 40']],
  [
    'choices',
    [
      'State choice',
      {
        choices: [
          { id: 'a', word: 'open' },
          { id: 'b', word: 'done' },
        ],
      },
    ],
    ['State is open or done'],
  ],
  ['a fixed length', ['Serial code', { length: 6, exactLength: true }], ['Serial has exactly 6 characters']],
  ['a scale', ['Tidiness mark', { scale: 7 }], ['Tidiness is a mark from 1 to 7']],
  ['the shape of a kind', 'Mail email', ['Mail is an e-mail']],
  ['nothing', 'Town line', []],
])('%s', (_what, field, sentences) => {
  expect(said(...table('Job', field))).toEqual(sentences)
})

test('a running number is given, not typed', () => {
  const book = made(emptyBook('Test', plainLook), ...table('Job', 'Town line'))
  expect(allFieldRules(book).map((rule) => rule.sentence)).toEqual([
    'Job number is given by the book, one after the other',
  ])
})

test('the administrator’s own words go with the bounds they explain, not with the rest', () => {
  const book = made(
    emptyBook('Test', plainLook),
    ...table('Job', ['Height exact', { most: '14', must: true, refusal: 'Call the tower crew.' }]),
  )
  const rules = allFieldRules(book).filter((rule) => rule.field.name === 'Height')
  expect(rules.map(({ sentence, refusal }) => [sentence, refusal])).toEqual([
    ['Height must be filled', undefined],
    ['Height is at most 14.00', 'Call the tower crew.'],
  ])
})
