import { expect, test } from 'vitest'
import { align, spaceOut } from './arrange'
import type { Box } from './geometry'

const boxes = new Map<string, Box>([
  ['a', { x: 0, y: 0, width: 100, height: 50 }],
  ['b', { x: 130, y: 40, width: 60, height: 50 }],
  ['c', { x: 400, y: 100, width: 100, height: 90 }],
])

test('cards are lined up on a side or a middle, and spaced out between the outermost', () => {
  expect([...align(boxes, 'left').values()].map(({ x }) => x)).toEqual([0, 0, 0])
  expect([...align(boxes, 'right')].map(([id, { x }]) => x + boxes.get(id)!.width)).toEqual([500, 500, 500])
  expect([...align(boxes, 'top').values()].map(({ y }) => y)).toEqual([0, 0, 0])
  const spaced = spaceOut(boxes, 'across')
  expect([spaced.get('a')!.x, spaced.get('b')!.x, spaced.get('c')!.x]).toEqual([0, 220, 400])
  expect(spaced.get('b')!.y).toBe(40)
  expect(spaceOut(new Map(), 'down').size).toBe(0)
})
