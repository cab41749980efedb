import fc from 'fast-check'
import { expect, test } from 'vitest'
import { aimed, type Dice, dice } from '@/tests/support/random-edits'
import { plainLook } from '../kinds'
import { wordProblem } from '../words'
import type { Book } from './book'
import { emptyBook } from './empty-book'
import { faultsOf, readBook } from './check-book'
import { applyEdit, readEdit, sayEdit } from './edits'
import { apply, invertAll } from './steps'
import { runs } from '@/tests/support/runs'

const game = fc.array(dice, { minLength: 10, maxLength: 60, size: 'max' })
const seed = ['Premises', 'Visit', 'Part', 'Technician'].reduce(
  (book, name) => {
    const result = applyEdit(book, { kind: 'addTable', id: `t-${name}`, name, keyField: `k-${name}` })
    if (!result.ok) throw new Error(wordProblem(result.problem))
    return result.value.book
  },
  emptyBook('Test book', plainLook),
)

/** Plays the dice; hands each edit that was made, or refused, to the check. */
function play(throws: readonly Dice[], check: (before: Book, result: ReturnType<typeof applyEdit>) => void): Book {
  return throws.reduce((book, thrown, turn) => {
    const edit = aimed(book, thrown, turn)
    expect(readEdit(edit).ok).toBe(true)
    const result = applyEdit(book, edit)
    check(book, result)
    return result.ok ? result.value.book : book
  }, seed)
}

test('an edit gives a whole book or a refusal in words, and leaves the book it was given alone', () => {
  let made = 0
  fc.assert(
    fc.property(game, (throws) => {
      play(throws, (before, result) => {
        const copy = JSON.stringify(before)
        if (result.ok) {
          made++
          expect(faultsOf(result.value.book)).toEqual([])
        } else {
          expect(wordProblem(result.problem)).toMatch(/\S.*[.?]$/)
        }
        expect(JSON.stringify(before)).toBe(copy)
      })
    }),
    runs(300),
  )
  expect(made).toBeGreaterThan(1000)
})

test('what is done and undone leaves the same book; done again, the same again', () => {
  fc.assert(
    fc.property(game, (throws) => {
      play(throws, (before, result) => {
        if (!result.ok) return
        const back = apply(result.value.book, invertAll(result.value.steps))
        expect(back).toEqual({ ok: true, value: before })
        const again = apply(before, result.value.steps)
        expect(again).toEqual({ ok: true, value: result.value.book })
      })
    }),
    runs(200),
  )
})

test('a whole history taken back step by step ends where it began', () => {
  fc.assert(
    fc.property(game, (throws) => {
      const done: (readonly Parameters<typeof invertAll>[0][number][])[] = []
      const end = play(throws, (_before, result) => {
        if (result.ok) done.push(result.value.steps)
      })
      const back = done.reduceRight((book, steps) => {
        const undone = apply(book, invertAll(steps))
        if (!undone.ok) throw new Error(JSON.stringify(undone.problem))
        return undone.value
      }, end)
      expect(back).toEqual(seed)
    }),
    runs(100),
  )
})

test('a book saved as JSON and read again is the same book', () => {
  fc.assert(
    fc.property(game, (throws) => {
      const book = play(throws, () => {})
      expect(readBook(JSON.parse(JSON.stringify(book)))).toEqual({ ok: true, value: book })
    }),
    runs(100),
  )
})

test('every edit tells itself in words', () => {
  fc.assert(
    fc.property(game, (throws) => {
      throws.reduce((book, thrown, turn) => {
        const edit = aimed(book, thrown, turn)
        expect(sayEdit(book, edit).trim().length).toBeGreaterThan(3)
        const result = applyEdit(book, edit)
        return result.ok ? result.value.book : book
      }, seed)
    }),
    runs(50),
  )
})

test.each([
  ['a book of nothing', {}],
  ['a lost key', { ...seed, tables: [{ id: 't', name: 'T', fields: [], key: ['x'], knownBy: [] }] }],
  [
    'an unknown kind',
    {
      ...seed,
      tables: [{ id: 't', name: 'T', fields: [{ id: 'f', name: 'F', kind: 'nonsense' }], key: [], knownBy: [] }],
    },
  ],
  ['extra parts', { ...seed, extra: true }],
])('%s is refused when read', (_what, json) => {
  expect(readBook(json).ok).toBe(false)
})
