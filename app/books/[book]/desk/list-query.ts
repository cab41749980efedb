import * as z from 'zod'
import { fieldOf, findField, type Table, tableOf } from '@/core/book'
import { readExpression } from '@/core/expressions'
import type { ListQuery } from '@/core/lists'
import { keyOfRef } from '@/core/records'
import type { Live } from '@/server/live'

const Cursor = z.array(z.union([z.string().max(2000), z.number(), z.null()])).max(10)

/** Reads a list's wishes from an address; what makes no sense for this table is left out. */
export function readListQuery(live: Live, tableId: string, query: URLSearchParams): Omit<ListQuery, 'limit'> {
  const table = tableOf(live.book, tableId)
  const own = (id: string | null) => table.fields.some((field) => field.id === id)
  const sort = query.get('sort')
  const after = Cursor.safeParse(parsed(query.get('after')))
  const fields = query.get('fields')?.split(',').filter(own)
  const link = query.get('link')
  const carrier = link ? findField(live.book, link) : undefined
  const where = conditionOf(live, table, query.get('where'))
  const key = keyOfRef(query.get('ref') ?? '', (query.get('ref') ?? '').split('~').length)
  return {
    table: tableId,
    ...(fields && fields.length > 0 && { fields: fields.map((id) => fieldOf(table, id).id) }),
    ...(query.get('find')?.trim() && { find: query.get('find')!.slice(0, 200) }),
    ...(query.get('in') === 'label' && { findIn: 'label' as const }),
    ...(sort && own(sort) && { sort: { field: sort, down: query.get('down') === '1' } }),
    ...(where && { where }),
    ...(after.success && { after: after.data }),
    ...(carrier?.table.id === tableId && key && { linked: { field: carrier.field.id, key } }),
  }
}

const longestCondition = 4000

/** A condition as it is written over the table's names. */
function conditionOf({ book }: Live, table: Table, source: string | null) {
  if (!source?.trim() || source.length > longestCondition) return undefined
  const read = readExpression(book, table, source)
  return 'tree' in read && read.tree.type.is === 'truth' ? read.tree : undefined
}

function parsed(json: string | null): unknown {
  try {
    return json === null ? undefined : JSON.parse(json)
  } catch {
    return undefined
  }
}
