import fc from 'fast-check'
import { expect, test } from 'vitest'
import { across, blockOf, isIn, moved, nextWrong } from './place'

const extent = { lines: 5, columns: 3, page: 2 }
const place = fc.record({ at: fc.nat(4), column: fc.nat(2) })

test('a key leads to the next cell, or to the edge, and never out of the grid', () => {
  expect(moved({ at: 1, column: 1 }, 'ArrowDown', false, extent)).toEqual({ at: 2, column: 1 })
  expect(moved({ at: 1, column: 1 }, 'ArrowDown', true, extent)).toEqual({ at: 4, column: 1 })
  expect(moved({ at: 4, column: 2 }, 'PageDown', false, extent)).toEqual({ at: 4, column: 2 })
  expect(moved({ at: 3, column: 2 }, 'Home', true, extent)).toEqual({ at: 0, column: 0 })
  expect(moved({ at: 0, column: 0 }, 'x', false, extent)).toBeUndefined()
  const keys = fc.constantFrom('ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'PageUp', 'PageDown')
  fc.assert(
    fc.property(place, keys, fc.boolean(), (from, key, far) => {
      const to = moved(from, key, far, extent)!
      expect(isIn({ top: 0, left: 0, bottom: 4, right: 2 }, to)).toBe(true)
    }),
  )
})

test('across goes through every cell once, there and back', () => {
  const seen = [{ at: 0, column: 0 }]
  for (let next = across(seen[0]!, 1, extent); next; next = across(next, 1, extent)) seen.push(next)
  expect(seen).toHaveLength(15)
  for (let at = 14; at > 0; at--) expect(across(seen[at]!, -1, extent)).toEqual(seen[at - 1])
  expect(across(seen[0]!, -1, extent)).toBeUndefined()
})

test('a block is the same from either corner', () => {
  fc.assert(
    fc.property(place, place, (a, b) => {
      expect(blockOf(a, b)).toEqual(blockOf(b, a))
      expect(isIn(blockOf(a, b), a) && isIn(blockOf(a, b), b)).toBe(true)
    }),
  )
})

test('what is wrong is come by cell after cell, and round again', () => {
  const wrong = [[1], [], [0, 2], [], []]
  const next = (at: number, column: number) => nextWrong({ at, column }, 5, (line) => wrong[line]!)
  expect(next(0, 0)).toEqual({ at: 0, column: 1 })
  expect(next(0, 1)).toEqual({ at: 2, column: 0 })
  expect(next(2, 0)).toEqual({ at: 2, column: 2 })
  expect(next(2, 2)).toEqual({ at: 0, column: 1 })
  expect(nextWrong({ at: 0, column: 1 }, 1, () => [1])).toEqual({ at: 0, column: 1 })
  expect(nextWrong({ at: 0, column: 1 }, 3, () => [])).toBeUndefined()
})
