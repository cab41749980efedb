import type { FormLines } from '../book'
import { findPart, linesWithin, type Spot } from './place-part'

/** The side of a part over which another is let go; a group may take it in. */
export type Side = 'before' | 'after' | 'above' | 'below' | 'into'

/**
 * Where over a part something is let go: near its upper and lower edge for a line of its own, else before or after it
 * in its line. `x` and `y` are from its upper left corner, as parts of its width and height.
 */
export function sideAt(kind: string, x: number, y: number): Side {
  const edge = kind === 'group' ? 0.15 : 0.25
  if (y < edge) return 'above'
  if (y > 1 - edge) return 'below'
  if (kind === 'group' && x > 0.1 && x < 0.9) return 'into'
  return x < 0.5 ? 'before' : 'after'
}

/** The place that lies on one side of a part. */
export function spotBeside(lines: FormLines, id: string, side: Side): Spot | undefined {
  const found = findPart(lines, id)
  if (!found) return undefined
  const { line, at } = found
  const group = found.group?.id
  switch (side) {
    case 'before':
      return { group, line, at }
    case 'after':
      return { group, line, at: at + 1 }
    case 'above':
      return { group, line }
    case 'below':
      return { group, line: line + 1 }
    case 'into':
      return { group: id, line: linesWithin(lines, id).length }
  }
}
