import { tableOf, linkWith } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { showValue, type Value } from '@/core/kinds'
import type { Live } from '../live'
import type { LiveRecord } from '../read/rows'
import type { SaveRequest } from './save-request'

/** A fact that was copied otherwise than the form had shown it, both written for people. */
export interface Moved {
  readonly field: string
  /** What the row is known by that it stands in; none for the record's own. */
  readonly row?: string
  readonly was: string
  readonly is: string
}

export class HasMoved extends Error {
  constructor(readonly changes: readonly Moved[]) {
    super('moved')
  }
}

type Seen = Readonly<Record<string, Value>>

/**
 * A price is agreed on as it stood on the screen: where what was copied is another one by now, nothing is saved until
 * that was seen. Throws to end the transaction.
 */
export function refuseMoved(
  live: Live,
  request: SaveRequest,
  record: LiveRecord,
  places: ReadonlyMap<string, string>,
): void {
  const changes = [
    ...movedIn(live, request.table, request.seen, record.row.values),
    ...request.children.flatMap(({ link: linkId, rows }) => {
      const { many, field: back } = linkWith(live.book, linkId)
      return (record.children[linkId] ?? []).flatMap((row) => {
        const [, at] = places.get(`${many} ${row.ref}`)?.split('/') ?? []
        const seen = at === undefined ? undefined : rows[Number(at)]?.seen
        const linked = Object.entries(row.labels).find(([field, label]) => field !== back && label !== '')
        const words = linked?.[1] ?? row.label
        return movedIn(live, many, seen, row.values).map((change) => ({ ...change, row: words }))
      })
    }),
  ]
  if (changes.length > 0) throw new HasMoved(changes)
}

function movedIn({ book }: Live, tableId: string, seen: Seen | undefined, values: Seen): Moved[] {
  if (!seen) return []
  return tableOf(book, tableId).fields.flatMap((field) => {
    if (field.kind !== 'copied' || !(field.id in seen)) return []
    const shown = (value: Value | undefined) => showValue(value ?? null, displayOf(book, field), book.look)
    const [was, is] = [shown(seen[field.id]), shown(values[field.id])]
    return was === is ? [] : [{ field: field.name, was, is }]
  })
}
