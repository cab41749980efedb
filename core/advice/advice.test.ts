import { describe, expect, test } from 'vitest'
import { acrossTables } from '@/tests/support/advice-across-tables'
import { onOneTable } from '@/tests/support/advice-on-one-table'
import { goodBooks } from '@/tests/support/good-books'
import { table } from '@/tests/support/tables'
import { made } from '@/tests/support/made'
import { emberlyDesign } from '@/demo/emberly/design'
import { type Edit, emptyBook, faultsOf } from '../book'
import { plainLook } from '../kinds'
import { adviceKey, adviceOn, allAdviceOn, pieceNames, seenOf } from '.'

const bookOf = (edits: readonly Edit[]) => made(emptyBook('Test', plainLook), ...edits)
const cases = { ...onOneTable, ...acrossTables }
const said = (edits: readonly Edit[]) => adviceOn(bookOf(edits)).map((advice) => advice.piece)

test('every piece has its case', () => {
  expect(Object.keys(cases).sort()).toEqual([...pieceNames].sort())
})

describe.each(Object.entries(cases))('%s', (piece, [wrong, right]) => {
  test('speaks where it must and is silent where it must not', () => {
    expect(said(wrong)).toContain(piece)
    expect(said(right)).not.toContain(piece)
  })

  test('each of its mends gives a sound book in which it is silent', () => {
    const book = bookOf(wrong)
    let last = 0
    for (const advice of adviceOn(book).filter((one) => one.piece === piece)) {
      expect(advice.head).toMatch(/\S/)
      expect(advice.text).toMatch(/[.?]$/)
      for (const mend of advice.mends ?? []) {
        const after = made(book, { kind: 'together', say: mend.say, edits: [...mend.edits(() => `m${last++}`)] })
        expect(faultsOf(after)).toEqual([])
        expect(adviceOn(after).filter((one) => one.piece === piece && one.about === advice.about)).toEqual([])
      }
    }
  })
})

test.each(Object.entries(goodBooks))('%s, a good design, is left in peace', (_name, edits) => {
  expect(adviceOn(bookOf(edits))).toEqual([])
})

test('the demo’s design is left in peace', () => {
  expect(adviceOn(emberlyDesign().book)).toEqual([])
})

test('dismissed, a piece stays silent until the thing changes', () => {
  const book = bookOf(table('Job', 'Weight exact'))
  const [advice] = allAdviceOn(book)
  const dismissed = made(book, {
    kind: 'dismiss',
    id: 'w',
    what: adviceKey(advice!),
    name: 'it',
    why: 'All in kilos.',
    seen: seenOf(book, advice!),
  })
  expect(adviceOn(dismissed)).toEqual([])
  expect(allAdviceOn(dismissed)).toHaveLength(1)
  const changed = made(dismissed, { kind: 'changeField', field: 'job_weight', to: { must: true } })
  expect(adviceOn(changed).map((one) => one.piece)).toEqual(['measureWithoutUnit'])
})
