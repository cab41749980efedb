import type { Block } from '../../book'
import type { ReadColumn } from '../../lists'
import type { Piece } from './piece'
import { sayColumn } from './say-inline'
import { type Text, textOf, textPieces, widthOf } from './text-pieces'
import type { Writing } from './writing'

interface Shown {
  readonly name: string
  readonly words: string
  readonly isNumber: boolean
}

const numbers = ['whole', 'exact', 'money', 'measured']
const standsAsNumber = ({ kind, face }: ReadColumn) => kind !== 'several' && numbers.includes(face.kind)

/** Fields with what they are called: beside it where they stand one under the other, above it where they share a line. */
export function fieldPieces(
  writing: Writing,
  { columns, across, blanks }: Extract<Block, { kind: 'fields' }>,
): Piece[] {
  const { book, read, filled } = writing
  const shown = columns.flatMap((id): Shown[] => {
    const column = read.columns.get(id)
    const words = column ? sayColumn(book, column, filled) : ''
    return column && (words.trim() || blanks) ? [{ name: column.heading, words, isNumber: standsAsNumber(column) }] : []
  })
  return across === 1 ? underEachOther(writing, shown) : beside(writing, shown, across)
}

function underEachOther({ measures: { frame, size } }: Writing, shown: readonly Shown[]): Piece[] {
  const widest = Math.max(0, ...shown.map(({ name }) => widthOf(name, { size })))
  const aside = Math.min(widest + size * 1.5, frame.width * 0.4)
  // Nothing but numbers is a column of them, each under the others' points.
  const isColumn = shown.every((one) => one.isNumber)
  const wide = Math.min(frame.width - aside, Math.max(0, ...shown.map(({ words }) => widthOf(words, { size }))) + 0.5)
  const place = isColumn
    ? { x: frame.left + frame.width - wide, width: wide }
    : { x: frame.left + aside, width: frame.width - aside }
  // A column of numbers stands at the right, as amounts do, with their names before them.
  const left = isColumn ? place.x - aside : frame.left
  return shown.flatMap(({ name, words }, at) => {
    const head = textOf(name, { x: left, width: aside - size * 0.5 }, { size, tone: 'grey' })
    const look = { size, above: size * (at === 0 ? 0.8 : 0.3), align: isColumn ? ('end' as const) : undefined }
    const [first, ...others] = textPieces([{ words: words || ' ' }], place, look)
    if (!first) return []
    const height = others.length === 0 ? Math.max(first.height, head.height) : first.height
    const drawn: Piece = { ...first, height, draw: (y) => [...head.draw(y), ...first.draw(y)] }
    // A name of more lines than its value pushes what comes next down.
    const over = head.height - height - others.reduce((sum, piece) => sum + piece.height, 0)
    const last = others.at(-1)
    return last && over > 0
      ? [drawn, ...others.slice(0, -1), { ...last, height: last.height + over }]
      : [drawn, ...others]
  })
}

function beside({ measures: { frame, size } }: Writing, shown: readonly Shown[], across: number): Piece[] {
  const small = { size: Math.max(6, size * 0.82), tone: 'grey' } as const
  const between = size * 1.4
  const width = (frame.width - between * (across - 1)) / across
  const lines = Array.from({ length: Math.ceil(shown.length / across) }, (_, at) =>
    shown.slice(at * across, (at + 1) * across),
  )
  return lines.flatMap((some) => {
    const cells = some.map(({ name, words }, at) => {
      const place = { x: frame.left + at * (width + between), width }
      return { head: textOf(name, place, small), value: textOf(words || ' ', place, { size }), words, place }
    })
    const headHigh = Math.max(...cells.map(({ head }) => head.height))
    const heads: Piece = {
      height: headHigh,
      above: size * 0.7,
      keeps: true,
      // What things are called stands at the foot of its lines, next to what it is.
      draw: (y) => cells.flatMap(({ head }) => head.draw(y + headHigh - head.height)),
    }
    return [
      heads,
      ...valueLines(
        cells.map(({ words, place, value }) => ({ words, place, value })),
        size,
      ),
    ]
  })
}

interface Value {
  readonly words: string
  readonly place: { readonly x: number; readonly width: number }
  readonly value: Text
}

/** So many lines stand together; what is longer may go on on the next page. */
const mostWhole = 12

/** The values of a line of fields: as one, or line by line where one of them is long. */
function valueLines(values: readonly Value[], size: number): Piece[] {
  const columns = values.map(({ words, place }) => textPieces([{ words: words || ' ' }], place, { size, above: 0 }))
  const many = Math.max(...columns.map((lines) => lines.length))
  if (many <= mostWhole)
    return [
      {
        height: Math.max(...values.map(({ value }) => value.height)),
        above: 0,
        draw: (y) => values.flatMap(({ value }) => value.draw(y)),
      },
    ]
  return Array.from({ length: many }, (_, at) => ({
    height: Math.max(...columns.map((lines) => lines[at]?.height ?? 0)),
    above: 0,
    keeps: at === 0,
    draw: (y: number) => columns.flatMap((lines) => lines[at]?.draw(y) ?? []),
  }))
}
