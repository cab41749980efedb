import * as z from 'zod'
import { fieldOf, findField, type Table, tableOf } from '@/core/book'
import { allNodesOf, readExpression, type Tree } from '@/core/expressions'
import type { ListQuery } from '@/core/lists'
import { keyOfRef } from '@/core/records'
import { fail, ok, type Result } from '@/core/words'
import type { Live } from '@/server/live'

const Cursor = z.array(z.union([z.string().max(2000), z.number(), z.null()])).max(10)

/**
 * Reads a list's wishes from an address. What makes no sense for this table is left out, but for a condition: without
 * it the list would look like the answer to it.
 */
export function readListQuery(live: Live, tableId: string, query: URLSearchParams): Result<Omit<ListQuery, 'limit'>> {
  const table = tableOf(live.book, tableId)
  const own = (id: string | null) => table.fields.some((field) => field.id === id)
  const sort = query.get('sort')
  const after = Cursor.safeParse(parsed(query.get('after')))
  const fields = query.get('fields')?.split(',').filter(own)
  const link = query.get('link')
  const carrier = link ? findField(live.book, link) : undefined
  const condition = conditionOf(live, table, query.get('where'))
  if (!condition.ok) return condition
  const where = condition.value
  const key = keyOfRef(query.get('ref') ?? '', (query.get('ref') ?? '').split('~').length)
  return ok({
    table: tableId,
    ...(fields && fields.length > 0 && { fields: fields.map((id) => fieldOf(table, id).id) }),
    ...(query.get('find')?.trim() && { find: query.get('find')!.slice(0, 200) }),
    ...(sort && own(sort) && { sort: { field: sort, down: query.get('down') === '1' } }),
    ...(where && { where }),
    ...(after.success && { after: after.data }),
    ...(carrier?.table.id === tableId && key && { linked: { field: carrier.field.id, key } }),
  })
}

const longestCondition = 4000
/** How many facts of other records a condition may look at: each is a search of its own for every row. */
const mostLooks = 60

/** A condition as it is written over the table's names; none where nothing is written. */
function conditionOf({ book }: Live, table: Table, source: string | null): Result<Tree | undefined> {
  if (!source?.trim()) return ok(undefined)
  if (source.length > longestCondition)
    return fail({ kind: 'too-long', limit: longestCondition, length: source.length })
  const read = readExpression(book, table, source)
  const unreadable = 'This condition uses a field that is no longer there, or isn’t a condition. Change or remove it.'
  if (!('tree' in read) || read.tree.type.is !== 'truth') return fail({ kind: 'in-own-words', words: unreadable })
  const looks = allNodesOf(book, read.tree).filter(
    (node) => node.kind === 'aggregate' || (node.kind === 'fact' && node.over.length > 0),
  )
  return looks.length > mostLooks ? fail({ kind: 'condition-too-heavy', most: mostLooks }) : ok(read.tree)
}

function parsed(json: string | null): unknown {
  try {
    return json === null ? undefined : JSON.parse(json)
  } catch {
    return undefined
  }
}
