import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { facingSides, mapDrawing, routeLines } from './drawing'

const { book } = emberlyDesign()

test('the map has a card for each table and a line for each link, with its ends', () => {
  const { cards, lines } = mapDrawing(book)
  expect(cards).toHaveLength(book.tables.length)
  expect(lines).toHaveLength(book.links.length)
  expect(lines.find((line) => line.one === 'premises' && line.many === 'visit')).toMatchObject({
    label: 'is booked for',
    atOne: 'exactly-one',
    atMany: 'none-or-more',
  })
  expect(lines.find((line) => line.many === 'certificate')).toMatchObject({
    atOne: 'exactly-one',
    atMany: 'none-or-one',
  })
})

test('lines leave from the sides that face each other', () => {
  const box = (x: number, y: number) => ({ x, y, width: 100, height: 50 })
  expect(facingSides(box(0, 0), box(300, 0))).toEqual({ from: 'right', to: 'left' })
  expect(facingSides(box(300, 0), box(0, 0))).toEqual({ from: 'left', to: 'right' })
  expect(facingSides(box(0, 0), box(20, 200))).toEqual({ from: 'bottom', to: 'top' })
  expect(facingSides(box(20, 200), box(0, 0))).toEqual({ from: 'top', to: 'bottom' })
})

test('no two lines share an end, and every end lies on a side of its card', () => {
  const { cards, lines } = mapDrawing(book)
  // Cards in a grid of five columns, as a layout might put them.
  const boxes = new Map(
    cards.map(({ table, width, height }, at) => [
      table.id,
      { x: (at % 5) * 320, y: Math.floor(at / 5) * 400, width, height },
    ]),
  )
  const routes = routeLines(lines, boxes)
  expect(routes.size).toBe(lines.length)
  const ends: string[] = []
  for (const line of lines) {
    const { from, to } = routes.get(line.id)!
    for (const [end, card] of [
      [from, line.one],
      [to, line.many],
    ] as const) {
      const box = boxes.get(card)!
      ends.push(`${end.x.toFixed(2)},${end.y.toFixed(2)}`)
      const onSide =
        end.side === 'left'
          ? end.x === box.x
          : end.side === 'right'
            ? end.x === box.x + box.width
            : end.x > box.x && end.x < box.x + box.width
      expect(onSide).toBe(true)
      expect(end.y).toBeGreaterThanOrEqual(box.y)
      expect(end.y).toBeLessThanOrEqual(box.y + box.height)
    }
  }
  expect(new Set(ends).size).toBe(ends.length)
})
