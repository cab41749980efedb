import { type Box, onGrid, type Point } from './geometry'

export type Alignment = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom'

/** Where boxes come to stand when they are lined up along one of their sides or middles. */
export function align(boxes: ReadonlyMap<string, Box>, how: Alignment): Map<string, Point> {
  const all = [...boxes.values()]
  const of = (box: Box) =>
    ({
      left: box.x,
      centre: box.x + box.width / 2,
      right: box.x + box.width,
      top: box.y,
      middle: box.y + box.height / 2,
      bottom: box.y + box.height,
    })[how]
  const values = all.map(of)
  const to =
    how === 'left' || how === 'top'
      ? Math.min(...values)
      : how === 'right' || how === 'bottom'
        ? Math.max(...values)
        : values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length)
  const sideways = how === 'left' || how === 'centre' || how === 'right'
  return new Map(
    [...boxes].map(([id, box]) => {
      const by = to - of(box)
      return [id, { x: onGrid(box.x + (sideways ? by : 0)), y: onGrid(box.y + (sideways ? 0 : by)) }]
    }),
  )
}

/** Where boxes come to stand when the gaps between them are made the same, between the outermost two. */
export function spaceOut(boxes: ReadonlyMap<string, Box>, along: 'across' | 'down'): Map<string, Point> {
  const start = (box: Box) => (along === 'across' ? box.x : box.y)
  const size = (box: Box) => (along === 'across' ? box.width : box.height)
  const ordered = [...boxes].sort(([, a], [, b]) => start(a) - start(b))
  const [first, last] = [ordered[0]?.[1], ordered.at(-1)?.[1]]
  if (!first || !last) return new Map()
  const filled = ordered.reduce((sum, [, box]) => sum + size(box), 0)
  const gap = (start(last) + size(last) - start(first) - filled) / Math.max(1, ordered.length - 1)
  let at = start(first)
  return new Map(
    ordered.map(([id, box]) => {
      const here = onGrid(at)
      at += size(box) + gap
      return [id, along === 'across' ? { x: here, y: box.y } : { x: box.x, y: here }]
    }),
  )
}
