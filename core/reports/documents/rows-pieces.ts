import { type Drawn, type Block as Laid } from '../layout/blocks'
import type { ColumnFit } from '../layout/column-fit'
import { fitColumns } from '../layout/fit-columns'
import { coloured, type Measures } from '../layout/measures'
import { blockOf, headBlock } from '../layout/part-blocks'
import type { PaperColumn, PaperPart } from '../table'
import type { FilledRows } from './filled'
import type { Piece } from './piece'
import { type TextLook, textPieces } from './text-pieces'

interface Rows {
  readonly columns: readonly PaperColumn[]
  readonly filled: FilledRows
  readonly heading?: string | undefined
  readonly none?: string | undefined
}

/** A row of more lines than this may go on on the next page. */
const mostWhole = 8

/** The rows of a record beneath each other, their headings on each page, and what they come to. */
export function rowsPieces({ columns, filled, heading, none }: Rows, measures: Measures): Piece[] {
  const { frame, size } = measures
  const place = { x: frame.left, width: frame.width }
  const { rows, sums, notes } = filled
  if (rows.length === 0)
    return none ? textPieces([{ words: none }], place, { size, tone: 'grey', above: size * 0.7 }) : []
  const cells = sums ? [...rows, sums] : rows
  const drawn: Drawn = {
    columns,
    fit: acrossAll(columns, fitColumns({ columns, rows: cells, room: frame.width, size, together: true }), frame.width),
    measures,
    rows: 'lines',
  }
  const head: Piece = { ...pieceOf(headBlock(drawn)), above: size * 0.5, keeps: true }
  const look: TextLook = { size: size * 1.15, bold: true, ...coloured(measures, 'words'), above: size, keeps: true }
  const named = heading ? textPieces([{ words: heading }], place, look) : []
  const body = rows.flatMap((own, at) =>
    linesOf(blockOf(drawn, { kind: 'row', cells: own }, false), measures, {
      head,
      keeps: (at === 0 && rows.length > 1) || (at === rows.length - 1 && sums !== undefined),
    }),
  )
  const sum: PaperPart = { kind: 'sum', words: '', cells: sums ?? [], ...(notes && { notes }) }
  return [...named, head, ...body, ...(sums ? [{ ...pieceOf(blockOf(drawn, sum, false)), above: 0, head }] : [])]
}

/** Rows of a document go from margin to margin, so that amounts of one stand under those of another: its first text has the room. */
function acrossAll(columns: readonly PaperColumn[], fit: ColumnFit, room: number): ColumnFit {
  const { gap } = fit
  const sets = fit.sets.map((set) => {
    const over = room - set.widths.reduce((sum, width) => sum + width + gap, -gap)
    const first = set.columns.findIndex((place) => columns[place]?.align !== 'end')
    return over > 0
      ? { ...set, widths: set.widths.map((one, at) => (at === Math.max(0, first) ? one + over : one)) }
      : set
  })
  return { ...fit, sets }
}

const pieceOf = (block: Laid): Piece => ({ height: block.height, above: block.above, draw: (y) => block.draw(0, y) })

/** A row as one piece, or line by line where it is high. */
function linesOf(block: Laid, { lead }: Measures, { head, keeps }: Required<Pick<Piece, 'head' | 'keeps'>>): Piece[] {
  if (block.lines <= mostWhole) return [{ ...pieceOf(block), head, keeps }]
  const bare = block.height - block.lines * lead
  return Array.from({ length: block.lines }, (_, at) => {
    const isLast = at === block.lines - 1
    return {
      height: lead + (at === 0 || isLast ? bare / 2 : 0),
      above: 0,
      head,
      keeps: isLast ? keeps : at === 0,
      // The room over its first line is drawn with that; later ones begin where their letters do.
      draw: (y: number) =>
        at === 0
          ? block.draw(0, y, 0, 1)
          : block.draw(0, y - bare / 2, at, at + 1).filter(({ kind }) => kind === 'text'),
    }
  })
}
