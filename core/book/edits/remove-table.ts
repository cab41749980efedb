import * as z from 'zod'
import { fail } from '../../words'
import type { Book, Field, Table } from '../book'
import { dropLinkSteps, dropPart, dropRulesOn, untick } from '../build-steps'
import { fieldOf, findTable, linksTo, tableOf } from '../find'
import { dropKeptOf } from './kept-parts'
import { type EditKind, Id, inTurn, keepingKeys } from './edit-kind'

const RemoveTable = z.strictObject({ kind: z.literal('removeTable'), table: Id })

/** What goes when a table goes: joining tables that tie it, and the link fields of others. */
export function goesWith(book: Book, id: string): { joining: Table[]; fields: { table: Table; field: Field }[] } {
  const ties = linksTo(book, id).filter((link) => link.many !== id)
  const joining = ties.map((link) => tableOf(book, link.many)).filter((table) => table.role === 'joining')
  const fields = ties
    .map((link) => ({ table: tableOf(book, link.many), field: fieldOf(tableOf(book, link.many), link.field) }))
    .filter(({ table }) => table.role !== 'joining')
  return { joining: [...new Set(joining)], fields }
}

/** Removes a table with its links, and the joining tables that would have nothing left to join. */
export const removeTable: EditKind<z.infer<typeof RemoveTable>> = {
  schema: RemoveTable,
  steps(book, { table }) {
    if (!findTable(book, table)) return fail({ kind: 'gone', what: 'table' })
    const gone = [table, ...goesWith(book, table).joining.map((joining) => joining.id)].reverse()
    return keepingKeys(book, inTurn(book, ...gone.map((id) => (now: Book) => dropTable(now, id))))
  },
  say: (book, { table }) => `Remove the table ${findTable(book, table)?.name ?? ''}`,
}

function dropTable(book: Book, id: string) {
  const table = tableOf(book, id)
  const links = book.links.filter((link) => link.one === id || link.many === id)
  const gone = new Set([
    id,
    ...table.fields.map((field) => field.id),
    ...links.flatMap((link) => [link.id, link.field]),
  ])
  return inTurn(
    book,
    (now) => untick(now, gone),
    (now) => dropRulesOn(now, gone),
    (now) => dropKeptOf(now, id),
    ...links.map((link) => (now: Book) => dropLinkSteps(now, link.id)),
    ...book.pairs
      .filter((pair) => pair.a === id || pair.b === id)
      .map((pair) => (now: Book) => [dropPart(now, 'pairs', pair.id)]),
    (now) => [dropPart(now, 'tables', id)],
  )
}
