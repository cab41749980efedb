import type { Block } from '../../book'
import type { Piece } from './piece'
import type { Writing } from './writing'

const points = 72 / 25.4

/** A picture, as wide as is wished, but never wider than the paper leaves room for, nor higher than most of a page. */
export function picturePieces(
  { measures: { frame, size } }: Writing,
  { picture, wide, align }: Extract<Block, { kind: 'picture' }>,
): Piece[] {
  const highest = (frame.bottom - frame.top) * 0.8 - 5 * size
  const natural = Math.min(wide * points, frame.width)
  const width = Math.min(natural, (Math.max(size, highest) * picture.width) / picture.height)
  const height = (width * picture.height) / picture.width
  const over = frame.width - width
  const x = frame.left + (align === 'end' ? over : align === 'middle' ? over / 2 : 0)
  return [
    {
      height,
      above: size * 0.8,
      draw: (y) => [{ kind: 'picture', x, y, width, height, hash: picture.hash }],
    },
  ]
}
