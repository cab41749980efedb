import { type Book, fieldWith, findTable, type List, tableOf } from '../../book'
import { keptIn, keyNames, physicalNames, readyIndexes } from '../../physical'
import { inSentence, listed, plural } from '../../words'

/** What the database would keep for a list that is to be ready, in words; nothing where there is nothing to keep. */
export function sayReady(book: Book, list: List): string | undefined {
  const table = findTable(book, list.table)
  if (!table) return undefined
  const alone: Book = { ...book, lists: [{ ...list, owner: undefined, ready: true }] }
  const names = physicalNames(alone)
  const counted = keptIn(alone).flatMap(({ link, totals }) => {
    const nounOf = (id: string) => inSentence(tableOf(book, id).name)
    const sums = totals.map(({ field }) => `the total of their ${inSentence(fieldWith(book, field).field.name)}`)
    return [`how many ${plural(nounOf(link.many))} each ${nounOf(link.one)} has`, ...sums]
  })
  const [key] = keyNames(names, table)
  const columns = new Set(readyIndexes(alone, table, names).flat())
  const fields = table.fields.filter((field) =>
    names.columns(table.id, field.id).some(({ name }) => columns.has(name) && name !== key),
  )
  const sorted = fields.length > 0 ? [`an order by ${listed(fields.map(({ name }) => inSentence(name)))}`] : []
  const all = [...counted, ...sorted]
  return all.length > 0 ? listed(all) : undefined
}
