import { performance } from 'node:perf_hooks'
import { type Book } from '@/core/book'
import { type DrawnMap, drawMap, mapCards, mapLines, mapQuality, type MapWish } from '@/core/map'
import { madeUpMap } from '@/tests/support/random-maps'

/**
 * How clear maps are and how long they take to draw: the demo's in each reading, and made-up ones. `overlaps` counts
 * cards, words and feet on each other, `on others` lines over cards and the length of lines on lines.
 */
export function benchMap(book: Book): void {
  process.stdout.write(
    '\nmaps                      ms  crossings  corners   length  overlaps  on others  words left out\n',
  )
  for (const sense of ['office', 'logical', 'physical'] as const)
    for (const detail of ['names', 'fields', 'kinds'] as const) {
      const reading = { detail, sense, view: 'links' } as const
      told(`demo, ${sense} ${detail}`, {
        cards: mapCards(book, reading),
        lines: mapLines(book, reading),
        spots: {},
        resized: false,
      })
    }
  for (const [cards, lines] of [
    [60, 90],
    [100, 160],
    [300, 900],
  ] as const)
    told(`${cards} tables, ${lines} links`, { ...madeUpMap(cards, lines), spots: {}, resized: false })
}

function told(name: string, wish: MapWish): void {
  const times: number[] = []
  let map: DrawnMap | undefined
  for (let round = 0; round < 3; round++) {
    const start = performance.now()
    map = drawMap(wish)
    times.push(performance.now() - start)
  }
  const wanted = wish.lines.reduce((sum, line) => sum + (line.label ? 1 : 0) + (line.back ? 1 : 0), 0)
  const { crossings, corners, length, cardOverlaps, labelOverlaps, feetOverlaps, linesOverCards, shared, unplaced } =
    mapQuality(map!.boxes, map!.routes, map!.labels, wanted)
  const time = times.sort((a, b) => a - b)[1]!.toFixed(0)
  const cells = [
    time.padStart(7),
    crossings,
    corners,
    length,
    `${cardOverlaps} ${labelOverlaps} ${feetOverlaps}`,
    `${linesOverCards} ${shared}`,
    unplaced,
  ]
  process.stdout.write(
    `${name.padEnd(24)}${cells.map((cell, at) => (at === 0 ? cell : String(cell).padStart(10))).join('')}\n`,
  )
}
