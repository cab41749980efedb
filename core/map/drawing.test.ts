import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { facingSides, mapDrawing } from './drawing'

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
