/** Everything on the map stands on a grid of so many map units (pixels at full size). */
export const step = 10

export interface Point {
  readonly x: number
  readonly y: number
}

export interface Box extends Point {
  readonly width: number
  readonly height: number
}

export type Side = 'left' | 'right' | 'top' | 'bottom'

export const onGrid = (value: number) => Math.round(value / step) * step
export const gridUp = (value: number) => Math.ceil(value / step) * step

export const overlap = (a: Box, b: Box, gap = 0) =>
  a.x < b.x + b.width + gap && b.x < a.x + a.width + gap && a.y < b.y + b.height + gap && b.y < a.y + a.height + gap

/** The smallest box around some; undefined around none. */
export function around(boxes: readonly Box[]): Box | undefined {
  if (boxes.length === 0) return undefined
  const x = Math.min(...boxes.map((box) => box.x))
  const y = Math.min(...boxes.map((box) => box.y))
  return {
    x,
    y,
    width: Math.max(...boxes.map((box) => box.x + box.width)) - x,
    height: Math.max(...boxes.map((box) => box.y + box.height)) - y,
  }
}

export const inflated = (box: Box, by: number): Box => ({
  x: box.x - by,
  y: box.y - by,
  width: box.width + 2 * by,
  height: box.height + 2 * by,
})
