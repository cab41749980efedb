import type { Item } from '../page'
import type { Piece } from './piece'

export interface Heights {
  /** Where the first page, and each after it, begins and ends, in points from the top. */
  readonly firstTop: number
  readonly top: number
  readonly bottom: number
}

/** Puts pieces on pages: what keeps together isn't parted unless it is higher than a page, and the heads of rows stand again. */
export function flowPieces(pieces: readonly Piece[], { firstTop, top, bottom }: Heights): Item[][] {
  const pages: Item[][] = [[]]
  let y = firstTop
  let isFresh = true
  const turn = (next: Piece | undefined) => {
    pages.push([])
    y = top
    isFresh = true
    if (next?.head) put(next.head)
  }
  const put = (piece: Piece) => {
    if (!isFresh) y += piece.above
    pages.at(-1)?.push(...piece.draw(y))
    y += piece.height
    if (piece.height > 0) isFresh = false
  }
  const highOf = (chain: readonly Piece[]) =>
    chain.reduce((sum, { height, above }, at) => sum + height + (at === 0 && isFresh ? 0 : above), 0)
  const fits = (height: number) => y + height <= bottom + 0.001
  for (const chain of chainsOf(pieces)) {
    const [first] = chain
    if (first?.turns) {
      if (!isFresh) turn(undefined)
      continue
    }
    const high = highOf(chain)
    // Its head comes again with it, and takes room too.
    const whole = bottom - top - (first?.head?.height ?? 0)
    if (!fits(high) && !isFresh && high <= whole) turn(first)
    for (const piece of chain) {
      if (!fits(piece.height + (isFresh ? 0 : piece.above)) && !isFresh) turn(piece)
      put(piece)
    }
  }
  return pages
}

/** What keeps together is one chain. */
function chainsOf(pieces: readonly Piece[]): Piece[][] {
  const chains: Piece[][] = []
  let open = false
  for (const piece of pieces) {
    const last = chains.at(-1)
    if (open && last) last.push(piece)
    else chains.push([piece])
    open = piece.keeps === true
  }
  return chains
}
