import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { bowsOf, dependencies, drawMap, mapCards, mapLines, overlap, tableOfField } from '.'

const { book } = emberlyDesign()

test('bows come to the rows that they are about, their words clear of cards and of each other', () => {
  const reading = { detail: 'fields', sense: 'office' } as const
  const [cards, lines] = [mapCards(book, reading), mapLines(book, reading)]
  const map = drawMap({ cards, lines, spots: {}, resized: false })
  const avoid = map.labels.map(({ box }) => box)
  const bows = bowsOf(dependencies(book), cards, map.boxes, (field) => tableOfField(book, field), avoid)
  expect(bows.length).toBeGreaterThan(40)
  const words = bows.flatMap(({ label }) => label?.box ?? [])
  const all = [...map.boxes.values(), ...avoid]
  const onCards = words.filter((box) => all.some((other) => overlap(box, other)))
  // Where everything is drawn at once some find no room; few do.
  expect(onCards.length).toBeLessThan(words.length / 8)
  for (const { dependency, tip } of bows) {
    const box = map.boxes.get(tableOfField(book, dependency.to)!)!
    expect([box.x, box.x + box.width]).toContain(tip.x)
    expect(tip.y).toBeGreaterThan(box.y)
    expect(tip.y).toBeLessThan(box.y + box.height)
  }
})
