import { type Book } from '@/core/book'
import { liveSchema } from '@/core/opening'
import { fail, ok, type Result } from '@/core/words'
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
const known = new WeakMap<Book, Map<string, PhysicalNames>>()
const schemas = new WeakMap<Book, Map<string, LiveTable>>()

export function namesOf({ book, schema }: Live): PhysicalNames {
  const bySchema = known.get(book) ?? new Map<string, PhysicalNames>()
  known.set(book, bySchema)
  const names = bySchema.get(schema) ?? physicalNames(book, schema)
  bySchema.set(schema, names)
  return names
}

export function liveTable({ book }: Live, tableId: string): LiveTable {
  const tables = schemas.get(book) ?? new Map(liveSchema(book).tables.map((table) => [table.id, table]))
  schemas.set(book, tables)
  const table = tables.get(tableId)
  if (!table) throw new Error(`Expected the live table ${tableId}.`)
  return table
}

/** Works something out once for each table of a live database: a design doesn't change while it is open. */
export function oncePerTable<T>(work: (live: Live, tableId: string) => T): (live: Live, tableId: string) => T {
  const done = new WeakMap<Book, Map<string, T>>()
  return (live, tableId) => {
    const ofBook = done.get(live.book) ?? new Map<string, T>()
    done.set(live.book, ofBook)
    const place = `${live.schema} ${tableId}`
    if (!ofBook.has(place)) ofBook.set(place, work(live, tableId))
    return ofBook.get(place)!
  }
}
