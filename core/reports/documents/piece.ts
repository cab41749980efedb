import type { Item } from '../page'

/** What stands on a page as a whole; none is higher than a page. */
export interface Piece {
  readonly height: number
  /** Room above it, but not at the head of a page. */
  readonly above: number
  /** Stands on one page with what comes next. */
  readonly keeps?: boolean
  /** Stands again at the head of a page that begins with it. */
  readonly head?: Piece | undefined
  /** What comes next begins a page. */
  readonly turns?: true
  readonly draw: (y: number) => Item[]
}

/** Nothing but room. */
export const gap = (above: number): Piece => ({ height: 0, above, draw: () => [] })
