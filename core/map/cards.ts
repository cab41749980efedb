import { type Book, type Field, linksFrom, linksTo, mustHold, type Table } from '../book'
import { displayOf, sayMadeFrom } from '../expressions'
import { isDerived, kindOf } from '../kinds'
import { physicalNames, type PhysicalNames } from '../physical'
import { mariadb } from '../sql'
import { gridUp } from './geometry'
import { clipped, textWidth } from '../letters'

/** How the map is read. */
export interface MapReading {
  /** How much stands on a card. */
  readonly detail: 'names' | 'keys' | 'fields' | 'kinds'
  /** As the office speaks, with joining tables folded into lines, or as the database has it. */
  readonly sense: 'office' | 'logical' | 'physical'
  /** Links between the cards; or streams between them, and on them what is made from what. */
  readonly view: 'links' | 'made-from'
}

export interface CardRow {
  /** The id of the field; in the database one link may have several columns. */
  readonly id: string
  readonly field: string
  readonly text: string
  /** Its kind, or its type in the database. */
  readonly detail: string
  readonly key: boolean
  readonly link: boolean
  readonly derived: boolean
}

/** A table as it stands on the map. Sizes are in map units, multiples of the grid. */
export interface MapCard {
  readonly id: string
  readonly title: string
  readonly role: Table['role']
  readonly rows: readonly CardRow[]
  readonly width: number
  readonly height: number
  readonly tab: { readonly width: number; readonly height: number }
}

export const cardSize = {
  tab: 30,
  row: 20,
  padding: 10,
  inset: 12,
  gap: 18,
  letter: 13,
  small: 12,
  arrow: 15,
  tabEnd: 10,
} as const
const least = 110
const most = 340

/** Joining tables that link two others and that nothing else is linked to: drawn as one line where tables are shown without them. */
export const foldedTables = (book: Book): readonly Table[] =>
  book.tables.filter(
    (table) =>
      table.role === 'joining' && linksFrom(book, table.id).length === 2 && linksTo(book, table.id).length === 0,
  )

/** A card for each table that the reading shows. */
export function mapCards(book: Book, reading: MapReading): MapCard[] {
  const folded = new Set(reading.sense === 'logical' ? foldedTables(book) : [])
  const names = reading.sense === 'physical' ? physicalNames(book) : undefined
  return book.tables.filter((table) => !folded.has(table)).map((table) => card(book, table, reading, names))
}

function card(book: Book, table: Table, reading: MapReading, names: PhysicalNames | undefined): MapCard {
  const all = reading.detail === 'names' ? [] : rowsOf(book, table, reading, names)
  const rows =
    reading.detail === 'keys'
      ? all.filter((row) => row.key || row.link || (row.derived && reading.view === 'made-from'))
      : all
  const says = ({ derived }: CardRow) => reading.detail === 'kinds' || (derived && reading.view === 'made-from')
  const shown = rows.map((row) => (says(row) ? row : { ...row, detail: '' }))
  const title = names ? names.table(table.id) : table.name
  const { letter, small, inset, gap, tabEnd } = cardSize
  const titleWidth = textWidth(title, letter, 'bold') + 2 * inset
  const rowWidth = ({ text, detail, link }: CardRow) =>
    arrowOf(link) + textWidth(text, letter) + (detail ? gap + textWidth(detail, small) : 0) + 2 * inset
  const width = gridUp(Math.min(most, Math.max(least, titleWidth + tabEnd, ...shown.map(rowWidth))))
  const named = reading.detail === 'names'
  return {
    id: table.id,
    title: clipped(title, letter, width - tabEnd - 2 * inset, 'bold'),
    role: table.role,
    rows: shown.map((row) => fitted(row, width)),
    width,
    height: named ? 50 : cardSize.tab + 2 * cardSize.padding + Math.max(1, shown.length) * cardSize.row,
    tab: named
      ? { width: 40, height: 10 }
      : { width: Math.min(width - tabEnd, Math.ceil(titleWidth)), height: cardSize.tab },
  }
}

/** A link has an arrow before its name, in whatever words it is told. */
const arrowOf = (link: boolean) => (link ? cardSize.arrow : 0)

/** A row cut to its card: first what it holds, then its name. */
function fitted(row: CardRow, width: number): CardRow {
  const { letter, small, inset, gap } = cardSize
  const room = width - 2 * inset - arrowOf(row.link)
  const beside = row.detail ? Math.max(room * 0.6, room - gap - textWidth(row.detail, small)) : room
  const name = Math.min(textWidth(row.text, letter), beside)
  const text = clipped(row.text, letter, name + 0.5)
  const detail = row.detail && clipped(row.detail, small, room - textWidth(text, letter) - gap + 0.5)
  return { ...row, text, detail }
}

function rowsOf(book: Book, table: Table, reading: MapReading, names: PhysicalNames | undefined): CardRow[] {
  const rows = names ? columnRows(table, names) : fieldRows(book, table, reading)
  if (reading.view === 'links') return rows
  return rows.map((row) => {
    const field = table.fields.find(({ id }) => id === row.field)!
    return row.derived ? { ...row, detail: sayMadeFrom(book, field) } : row
  })
}

const fieldRows = (book: Book, table: Table, { sense }: MapReading): CardRow[] =>
  table.fields
    .filter((field) => field.kind !== 'link' || sense !== 'logical')
    .map((field) => ({
      id: field.id,
      field: field.id,
      text: `${field.name}${mustHold(table, field) ? ' *' : ''}`,
      detail: kindWords(book, field),
      key: table.key.includes(field.id),
      link: field.kind === 'link',
      derived: isDerived(field),
    }))

const kindWords = (book: Book, field: Field) =>
  isDerived(field)
    ? `${kindOf(field.kind).title}: ${kindOf(displayOf(book, field).kind).title.toLowerCase()}`
    : kindOf(field.kind).title

/** What is stored; what is only derived has no column. */
const columnRows = (table: Table, names: PhysicalNames): CardRow[] =>
  table.fields.flatMap((field) =>
    names.columns(table.id, field.id).map((column) => ({
      id: column.id,
      field: field.id,
      text: `${column.name}${column.notNull ? ' *' : ''}`,
      detail: mariadb.columnType(column.type).replace(/ CHARACTER SET .*/, ''),
      key: table.key.includes(field.id),
      link: field.kind === 'link',
      derived: isDerived(field),
    })),
  )
