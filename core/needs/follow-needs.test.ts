import { expect, test } from 'vitest'
import { followNeeds, type Reading } from '.'

const at = (...needs: number[]) => needs.map((need) => ({ need, start: 0, end: 3 }))
const reading: Reading = {
  tables: [{ name: 'Dog', fields: [{ name: 'Name', kind: 'line', evidence: at(1) }], evidence: at(0, 1) }],
  ties: [],
  questions: [{ text: 'Which dogs', tables: ['Dog'], evidence: at(2) }],
  open: [],
  phrases: [],
}
const needsOf = (moved: Reading) => ({
  table: moved.tables[0]!.evidence.map(({ need }) => need),
  field: moved.tables[0]!.fields[0]!.evidence.map(({ need }) => need),
  questions: moved.questions.map((question) => question.evidence[0]!.need),
})

test('needs that stay as they are keep their reading', () => {
  expect(followNeeds(reading, ['a', 'b', 'c'], ['a', 'b', 'c'])).toBe(reading)
})

test('what was read moves with its need', () => {
  expect(needsOf(followNeeds(reading, ['a', 'b', 'c'], ['c', 'x', 'b', 'a']))).toEqual({
    table: [3, 2],
    field: [2],
    questions: [0],
  })
})

test('a need that is gone or reworded proves nothing', () => {
  expect(needsOf(followNeeds(reading, ['a', 'b', 'c'], ['a', 'B']))).toEqual({ table: [0], field: [], questions: [] })
})

test('needs of the same words keep their order', () => {
  expect(needsOf(followNeeds(reading, ['a', 'a', 'c'], ['c', 'a', 'a'])).table).toEqual([1, 2])
})
