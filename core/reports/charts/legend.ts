import { asPrinted, evenWidth, wrap } from '../../letters'
import type { Drawing } from '../../lists'
import { nth } from '../../words'
import { baseline, type Block, type Drawn } from '../layout/blocks'
import type { Item, Shade } from '../page'
import { shadeNames } from '../page'

/** The shade of a series; after the last they come again, and lines are told apart by their dashes. */
export const shadeAt = (at: number): Shade => nth(shadeNames, at % shadeNames.length)

const dashes: readonly (readonly number[])[] = [[], [6, 3], [2, 2], [9, 3, 2, 3], [4, 2], [1, 3], [12, 3]]

/** How the line of a series is drawn and left out in turn; nothing for the first, which is whole. */
export function dashAt(at: number): readonly number[] | undefined {
  const dash = nth(dashes, at % dashes.length)
  return dash.length > 0 ? dash : undefined
}

interface Entry {
  readonly at: number
  readonly lines: readonly string[]
  readonly width: number
}

/** Which shade or line is whose; as many beside each other as there is room for. */
export function legendBlocks({ measures }: Drawn, { series, kind }: Drawing): Block[] {
  const { frame, size, lead } = measures
  const swatch = kind === 'lines' ? size * 2.2 : size * 0.9
  const inset = swatch + size * 0.5
  const entries = series.map(({ name }, at): Entry => {
    const lines = wrap(asPrinted(name), frame.width - inset, size, 'regular')
    return { at, lines, width: inset + Math.max(...lines.map((line) => evenWidth(line, size))) + size * 1.4 }
  })
  const rows: Entry[][] = []
  for (const entry of entries) {
    const last = rows.at(-1)
    const used = last?.reduce((sum, { width }) => sum + width, 0) ?? Infinity
    if (last && used + entry.width - size * 1.4 <= frame.width) last.push(entry)
    else rows.push([entry])
  }
  return rows.map((row, line): Block => {
    const high = Math.max(...row.map(({ lines }) => lines.length))
    return {
      kind: 'words',
      height: high * lead,
      above: line === 0 ? size * 0.4 : 0,
      keeps: false,
      part: undefined,
      lines: high,
      draw(set, y, from = 0, until = high) {
        if (set > 0) return []
        let x = frame.left
        return row.flatMap((entry) => {
          const own = x
          x += entry.width
          const mark = from === 0 ? [markOf(kind, entry.at, own, y, swatch, { size, lead })] : []
          const texts = entry.lines.slice(from, until).map((words, at): Item => ({
            kind: 'text',
            x: own + inset,
            y: y + at * lead + baseline({ size, lead }),
            size,
            words,
          }))
          return [...mark, ...texts]
        })
      },
    }
  })
}

interface Line {
  readonly size: number
  readonly lead: number
}

function markOf(kind: Drawing['kind'], at: number, x: number, y: number, width: number, { size, lead }: Line): Item {
  if (kind === 'lines') {
    const middle = y + lead / 2
    const dash = dashAt(at)
    const points = [
      [x, middle],
      [x + width, middle],
    ] as const
    return { kind: 'path', points, thick: 1.4, tone: shadeAt(at), ...(dash && { dash }) }
  }
  return { kind: 'tint', x, y: y + (lead - size * 0.8) / 2, width, height: size * 0.8, tone: shadeAt(at) }
}
