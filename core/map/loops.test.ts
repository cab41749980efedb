import { expect, test } from 'vitest'
import { withoutLoops } from './loops'

const way = (...points: readonly (readonly [number, number])[]) => points.map(([x, y]) => ({ x, y }))

test.each([
  ['a way without loops stays', way([0, 0], [0, 50], [80, 50], [80, 90]), way([0, 0], [0, 50], [80, 50], [80, 90])],
  [
    'two feet on one line that overlap are one piece',
    way([110, 200], [110, 140], [120, 140], [120, 150], [110, 150], [110, 120]),
    way([110, 200], [110, 150], [110, 120]),
  ],
  [
    'a way that crosses itself is cut where it does',
    way([0, 0], [50, 0], [50, 30], [20, 30], [20, -40]),
    way([0, 0], [20, 0], [20, -40]),
  ],
])('%s', (_what, given, wanted) => {
  expect(withoutLoops(given)).toEqual(wanted)
})
