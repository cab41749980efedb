import type { Book, Field, Table, Way } from '../../book'
import { keptIn } from '../../physical'
import type { Reach } from './reach'

/** Something that is counted or added up of what a way leads to. */
interface Gathered {
  readonly way: Way
  readonly name: string
  readonly field?: Field | undefined
  readonly where?: unknown
}

/** Where the database keeps it for each record of a table; none where it must be gathered. */
export function keptFor(book: Book, from: Table, { way, name, field, where }: Gathered) {
  const [hop] = way
  if (way.length !== 1 || hop?.to !== 'rows' || where !== undefined) return undefined
  const kept = keptIn(book).find(({ link }) => link.id === hop.link && link.one === from.id)
  if (name === 'count') return kept && { kept, column: kept.rows }
  const total = name === 'total' ? kept?.totals.find((one) => one.field === field?.id) : undefined
  return kept && total && { kept, column: total.sum }
}

/** The same as a statement has it, of the record where its query begins. */
export function keptSql(reach: Reach, gathered: Gathered): string | undefined {
  const found = keptFor(reach.book, reach.from.table, gathered)
  return found && reach.names.column(reach.keptRow(found.kept), found.column)
}
