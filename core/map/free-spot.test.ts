import fc from 'fast-check'
import { expect, test } from 'vitest'
import { freeSpot } from './free-spot'
import { overlap, step } from './geometry'

const size = { width: 180, height: 60 }

test('a box stands where it is wished if nothing is there', () => {
  expect(freeSpot(size, { x: 203, y: 99 }, [])).toEqual({ x: 110, y: 70 })
})

test('and otherwise at the nearest place beside what is there', () => {
  const card = { x: 0, y: 0, width: 400, height: 100 }
  const { x, y } = freeSpot(size, { x: 200, y: 60 }, [card])
  expect(x).toBe(110)
  expect(y).toBeGreaterThanOrEqual(110)
  expect(y).toBeLessThan(140)
})

test('it is clear of everything, whatever stands on the map', () => {
  const coordinate = fc.integer({ min: -60, max: 60 }).map((at) => at * step)
  const length = fc.integer({ min: 1, max: 30 }).map((at) => at * step)
  const box = fc.record({ x: coordinate, y: coordinate, width: length, height: length })
  fc.assert(
    fc.property(fc.array(box, { maxLength: 40 }), coordinate, coordinate, (taken, x, y) => {
      const at = freeSpot(size, { x, y }, taken)
      expect(taken.some((one) => overlap({ ...at, ...size }, one, step))).toBe(false)
    }),
  )
})
