import fc from 'fast-check'
import { expect } from 'vitest'
import { evenWidth } from '@/core/letters'
import type { Page, TextItem } from '@/core/reports'

/** Letters of all sorts, some of which no typeface has, and some that nobody sees. */
export const oddLetter = fc.oneof(
  { weight: 6, arbitrary: fc.constantFrom(...'abcdefghijklmnopqrstuvwxyzABCW  ,.-/') },
  fc.constantFrom('é', 'Ω', 'ж', '漢', '👩‍🚒', 'ש', '\n', '…', 'ﬁ', '\u200b', '\u00ad', '\t', '\u202e'),
)

export const oddPaper = fc.record({
  size: fc.oneof(
    fc.constantFrom('a4' as const, 'a5' as const, 'letter' as const),
    fc.record({ width: fc.integer({ min: 60, max: 400 }), height: fc.integer({ min: 60, max: 400 }) }),
  ),
  turned: fc.option(fc.constant(true as const), { nil: undefined }),
  margin: fc.integer({ min: 5, max: 60 }),
})

export const textsOn = ({ items }: Pick<Page, 'items'>): TextItem[] =>
  items.flatMap((item) => (item.kind === 'text' ? [item] : []))

/**
 * Two texts of one line stand beside each other, those of two lines under each other.
 * @param apart how far at least, in points
 */
export function expectNothingOnAnother(texts: readonly TextItem[], apart = 2): void {
  const boxes = texts
    .map(({ x, y, size, bold, words: said }) => ({
      left: x,
      right: x + evenWidth(said.trimEnd(), size, bold ? 'bold' : 'regular'),
      top: y - size * 0.7,
      foot: y,
      said,
    }))
    .sort((a, b) => a.top - b.top)
  for (const [at, one] of boxes.entries())
    for (const other of boxes.slice(at + 1)) {
      if (other.top >= one.foot - 0.05) break
      const isBeside = other.left >= one.right + apart || one.left >= other.right + apart
      const isLone = [one, other].some(({ said }) => [...new Intl.Segmenter('en').segment(said)].length === 1)
      if (!isBeside && !isLone) expect({ one, other }).toBe('beside or under each other')
    }
}
