import { type Book, fieldOf, linksFrom, mustHold, tableOf } from '../book'
import { counted, inSentence, listed, plural } from '../words'

/** One sentence on a table that will be made: what it keeps, its key and what it hangs on. */
export function sayTable(book: Book, tableId: string): string {
  const table = tableOf(book, tableId)
  const key = table.key.map((id) => fieldOf(table, id).name)
  const keyed = key.length === 0 ? 'no key' : `unique by ${listed(key)}`
  const ties = linksFrom(book, tableId).map((link) => {
    const field = fieldOf(table, link.field)
    return `${mustHold(table, field) ? 'always has' : 'may have'} one ${inSentence(tableOf(book, link.one).name)}`
  })
  const tied = ties.length > 0 ? `; each ${listed(ties)}` : ''
  return `Make ${plural(table.name)}: ${counted(table.fields.length, 'field')}, ${keyed}${tied}`
}
