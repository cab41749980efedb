import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { emptyBook, make, type Edit } from '../book'
import { plainLook } from '../kinds'
import { adviceOn } from '.'

const after = (...edits: Edit[]) =>
  edits.reduce(
    (book, edit) => {
      const made = make(book, edit)
      return made.ok ? made.value.book : book
    },
    emptyBook('Test', plainLook),
  )
const said = (...edits: Edit[]) => adviceOn(after(...edits)).map((advice) => advice.piece)

const table = (id: string): Edit => ({ kind: 'addTable', id, name: id, keyField: `${id}-key` })
const field = (of: string, holds: 'line' | 'pick'): Edit => ({
  kind: 'addField',
  table: of,
  id: `${of}-${holds}`,
  name: holds,
  holds,
})
const must = (one: string, many: string): Edit => ({
  kind: 'answerPairing',
  a: one,
  b: many,
  aHasSeveral: true,
  bHasSeveral: false,
  aMust: false,
  bMust: true,
  ids: { table: 'x', links: [`${one}${many}`, 'y'], fields: [`${one}-${many}`, 'z'] },
})

test('a good design is left in peace', () => {
  expect(adviceOn(emberlyDesign().book)).toEqual([])
})

test.each<[string, Edit[], Edit[]]>([
  [
    'tableWithoutKey',
    [table('A'), field('A', 'line'), { kind: 'setKey', table: 'A', fields: [] }],
    [table('A'), field('A', 'line')],
  ],
  [
    'pickWithoutChoices',
    [table('A'), field('A', 'pick')],
    [
      table('A'),
      field('A', 'pick'),
      { kind: 'changeField', field: 'A-pick', to: { choices: [{ id: 'c', word: 'yes' }] } },
    ],
  ],
  [
    'tableTiedToNothing',
    [table('A'), table('B'), field('A', 'line'), field('B', 'line')],
    [table('A'), table('B'), field('A', 'line'), field('B', 'line'), must('A', 'B')],
  ],
  ['tableWithKeyOnly', [table('A')], [table('A'), field('A', 'line')]],
  ['circleOfMusts', [table('A'), table('B'), must('A', 'B'), must('B', 'A')], [table('A'), table('B'), must('A', 'B')]],
])('%s speaks where it must and is silent where it must not', (piece, wrong, right) => {
  expect(said(...wrong)).toContain(piece)
  expect(said(...right)).not.toContain(piece)
})
