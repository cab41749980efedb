import { asPrinted, evenWidth, wrap } from '../../letters'
import type { Item } from '../page'
import { baseline, type Block } from './blocks'
import type { Measures } from './measures'

interface Letterhead {
  readonly name?: string | undefined
  readonly lines: readonly string[]
}

/** The office's name and address at the right of the first page, in a share of its width. */
export function letterheadBlock({ frame, size }: Measures, { name, lines }: Letterhead, share = 0.6): Block {
  const half = frame.width * share
  const large = { size: size * 1.25, lead: size * 1.25 * 1.3 }
  const small = { size: size * 0.9, lead: size * 0.9 * 1.3 }
  const rows = [
    ...(name ? wrap(asPrinted(name), half, large.size, 'bold').map((words) => ({ words, bold: true, ...large })) : []),
    ...lines.flatMap((line) =>
      wrap(asPrinted(line), half, small.size).map((words) => ({ words, bold: false, ...small })),
    ),
  ]
  const height = rows.reduce((sum, { lead }) => sum + lead, 0) + size * 1.4
  return {
    kind: 'words',
    of: 'letterhead',
    height,
    above: 0,
    keeps: false,
    part: undefined,
    lines: 1,
    draw(set, top) {
      let y = top
      return rows.flatMap((row): Item[] => {
        const at = y + baseline(row)
        y += row.lead
        // On pages that stand beside it, its place stays free.
        if (set > 0) return []
        const width = evenWidth(row.words, row.size, row.bold ? 'bold' : 'regular')
        const x = frame.left + frame.width - width
        return [
          {
            kind: 'text',
            x,
            y: at,
            size: row.size,
            words: row.words,
            ...(row.bold ? { bold: true } : { tone: 'grey' }),
          },
        ]
      })
    },
  }
}

const footSize = ({ size }: Measures) => Math.max(6.5, size * 0.8)

const linesOf = (measures: Measures, foot: string) => wrap(asPrinted(foot), measures.frame.width, footSize(measures))

/** How much room the office's own line takes at the foot of a page. */
export const footLead = (measures: Measures, foot: string): number =>
  linesOf(measures, foot).length * footSize(measures) * 1.3

/** The office's own line over the foot of a page, in the middle. */
export function footLines(measures: Measures, foot: string): Item[] {
  const { frame, size } = measures
  const own = footSize(measures)
  const lines = linesOf(measures, foot)
  const small = Math.max(6.5, size * 0.85)
  const last = frame.bottom - small * 1.32 - small - 5
  return lines.map((words, at) => ({
    kind: 'text',
    x: frame.left + (frame.width - evenWidth(words, own)) / 2,
    y: last - (lines.length - 1 - at) * own * 1.3,
    size: own,
    tone: 'grey',
    words,
  }))
}
