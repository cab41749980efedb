import type { Picture } from '../../book'
import { asPrinted, evenWidth, wrap } from '../../letters'
import type { Item } from '../page'
import { baseline, type Block } from './blocks'
import { coloured, type Measures } from './measures'

interface Letterhead {
  readonly name?: string | undefined
  readonly lines: readonly string[]
  readonly logo?: Picture | undefined
}

/** How high and how wide a logo is at the most, in points; and how much of the page's width it may take. */
const logoHigh = 56
const logoWide = 200
const logoShare = 0.36

/** The logo at the left, as large as there is room for, and never larger than its dots allow. */
function logoItem(
  { frame }: Measures,
  { hash, width, height }: Picture,
  y: number,
): Item & { readonly height: number } {
  const most = Math.min(logoWide, frame.width * logoShare)
  // Fewer dots than that to an inch are seen as dots.
  const scale = Math.min(most / width, logoHigh / height, 72 / 100)
  return { kind: 'picture', x: frame.left, y, width: width * scale, height: height * scale, hash }
}

/** Whether there is anything of a letterhead to stand at the head of a page. */
export const standsAtHead = (letterhead: Letterhead | undefined): letterhead is Letterhead =>
  letterhead !== undefined &&
  (letterhead.name !== undefined || letterhead.lines.length > 0 || letterhead.logo !== undefined)

/** The office's name and address at the right of the first page, in a share of its width, and its logo at the left. */
export function letterheadBlock(measures: Measures, { name, lines, logo }: Letterhead, share = 0.6): Block {
  const { frame, size } = measures
  const half = frame.width * share
  const large = { size: size * 1.25, lead: size * 1.25 * 1.3 }
  const small = { size: size * 0.9, lead: size * 0.9 * 1.3 }
  const rows = [
    ...(name ? wrap(asPrinted(name), half, large.size, 'bold').map((words) => ({ words, bold: true, ...large })) : []),
    ...lines.flatMap((line) =>
      wrap(asPrinted(line), half, small.size).map((words) => ({ words, bold: false, ...small })),
    ),
  ]
  const high = rows.reduce((sum, { lead }) => sum + lead, 0)
  const height = Math.max(high, logo ? logoItem(measures, logo, 0).height : 0) + size * 1.4
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
      const picture: Item[] = logo && set === 0 ? [logoItem(measures, logo, top)] : []
      const words = rows.flatMap((row): Item[] => {
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
            ...(row.bold ? { bold: true, ...coloured(measures, 'words') } : { tone: 'grey' }),
          },
        ]
      })
      return [...picture, ...words]
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
