import { stringify } from 'csv-stringify/sync'
import { type Field, fieldOf, tableOf } from '@/core/book'
import { csvCell, guardFormula, type ListQuery } from '@/core/lists'
import type { Cursor, ListRow } from '@/core/records'
import type { Live } from '../live'
import type { Reads } from '../unit'
import { readList } from './rows'

const pageSize = 2000
// Some programs part cells at semicolons or tabs: what has one is quoted, so that nothing behind it becomes a cell.
const form = { record_delimiter: 'windows', quoted_match: /[;\t]/ } as const

/** Lines of CSV (RFC 4180), or with tabs in place of commas. */
export const csvLines = (rows: readonly (readonly string[])[], delimiter: ',' | '\t' = ','): string =>
  stringify(rows as string[][], { ...form, delimiter })
/** The head of a file, with a byte-order mark, so that programs read it as UTF-8. */
export const csvHead = (names: readonly string[]): string => '\ufeff' + csvLines([names.map(guardFormula)])

/** A list as CSV (RFC 4180, UTF-8 with a byte-order mark), a page at a time, so that no size is too large. */
export async function* csvOf(reads: Reads, query: Omit<ListQuery, 'limit' | 'after'>): AsyncGenerator<string> {
  const { live } = reads
  const table = tableOf(live.book, query.table)
  const fields = query.fields ? query.fields.map((id) => fieldOf(table, id)) : table.fields
  yield csvHead(fields.map((field) => field.name))
  let after: Cursor | undefined
  do {
    const page = await readList(reads, { ...query, limit: pageSize, ...(after && { after }) })
    yield csvLines(page.rows.map((row) => fields.map((field) => cell(live, field, row))))
    after = page.more ? page.rows.at(-1)?.cursor : undefined
  } while (after)
}

const cell = (live: Live, field: Field, row: ListRow) =>
  csvCell(live.book, field, row.values[field.id] ?? null, row.labels[field.id])
