import { type Book } from '@/core/book'
import { liveSchema } from '@/core/opening'
import { fail, ok, oncePer, oncePerPart, type Result } from '@/core/words'
import { type LiveTable, type PhysicalNames, physicalNames } from '@/core/physical'
import type { StoredBook } from '../books'

/** An opened book: the design staff work with, and the schema its records are in. */
export interface Live {
  readonly id: string
  readonly book: Book
  readonly schema: string
  /** The revision of the design that is open. */
  readonly revision: number
}

/** The opened book, or a problem while it has never been opened. */
export function liveOf(
  stored: Pick<StoredBook, 'id' | 'book' | 'opened' | 'openedRevision' | 'liveSchema'>,
): Result<Live> {
  if (!stored.opened) return fail({ kind: 'not-open', book: stored.book.name })
  return ok({ book: stored.opened, schema: stored.liveSchema, id: stored.id, revision: stored.openedRevision ?? 0 })
}

// Derived once for each opened design; requests share the parsed book object.
const namesIn = oncePerPart(physicalNames)
const liveTables = oncePer((book: Book) => new Map(liveSchema(book).tables.map((table) => [table.id, table])))

export const namesOf = ({ book, schema }: Live): PhysicalNames => namesIn(book, schema)

export function liveTable({ book }: Live, tableId: string): LiveTable {
  const table = liveTables(book).get(tableId)
  if (!table) throw new Error(`Expected the live table ${tableId}.`)
  return table
}

/** Works something out once for each table of a live database: a design doesn't change while it is open. */
export function oncePerTable<T>(work: (live: Live, tableId: string) => T): (live: Live, tableId: string) => T {
  const tables = oncePer((_book: Book) => new Map<string, { readonly found: T }>())
  return (live, tableId) => {
    const done = tables(live.book)
    const place = `${live.schema} ${tableId}`
    const known = done.get(place) ?? { found: work(live, tableId) }
    done.set(place, known)
    return known.found
  }
}
