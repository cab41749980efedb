import { findLink, findTable, type Link, type Table, tableOf } from '@/core/book'
import type { Value } from '@/core/kinds'
import { checkRecord, type Problems, type Values } from '@/core/records'
import { oncePer } from '@/core/words'
import type * as z from 'zod'
import type { Live } from '../live'
import type { PlacedChange } from './guard'
import { noProblems, refuseWhole, SaveRefused } from './save-problems'
import type { Row, SaveRequest } from './save-request'
import { wholeValues } from './write-row'

/** A row of a request that is sound by itself. */
export interface SentRow extends PlacedChange {
  readonly rev: number | null
  /** The link field by which an inset row belongs to the record; none for the record itself. */
  readonly back?: string
}

type InsetRow = z.infer<typeof Row>

/**
 * The check before anything is touched: the record and then its rows, those that are removed before the others, so
 * that a row taken out and entered again doesn't meet itself. Throws every problem at once, not the first alone.
 */
export function checkRequest(live: Live, request: SaveRequest): SentRow[] {
  const { table, ref, rev } = request
  if (!findTable(live.book, table)) throw refuseWhole({ kind: 'gone', what: 'table' })
  const known = onlyKnown(live, table, request.values)
  const parent = checkRecord(live.book, table, ref === null ? wholeValues(live, table, known) : known)
  const rowProblems: Record<string, Problems> = {}
  const rows: SentRow[] = []
  for (const { link: linkId, rows: sent } of request.children) {
    const link = findLink(live.book, linkId)
    if (!link || link.one !== table) throw refuseWhole({ kind: 'gone', what: 'link' })
    const order = [...sent.entries()].sort(([, a], [, b]) => Number(b.removed ?? false) - Number(a.removed ?? false))
    for (const [at, row] of order) {
      const own = { table: link.many, ref: row.ref, rev: row.rev, place: `${linkId}/${at}`, back: link.field }
      if (row.removed) {
        if (row.ref !== null) rows.push({ ...own, values: undefined })
        continue
      }
      const checked = checkRow(live, link, row)
      if (checked.ok) rows.push({ ...own, values: { ...checked.value, [link.field]: ref } })
      else rowProblems[own.place] = checked.problem
    }
  }
  if (parent.ok && Object.keys(rowProblems).length === 0)
    return [{ table, ref, rev, place: '', values: parent.value }, ...rows]
  throw new SaveRefused({ ...noProblems, fields: parent.ok ? {} : parent.problem, rows: rowProblems })
}

function checkRow(live: Live, { many, field }: Link, { ref, values }: InsetRow) {
  const own = onlyKnown(live, many, values)
  delete own[field]
  const whole: Values = ref === null ? wholeValues(live, many, own, field) : own
  return checkRecord(live.book, many, whole)
}

const idsOf = oncePer((table: Table) => new Set(table.fields.map((field) => field.id)))

/** The values that the table has fields for. A form of an older design may send others: what is typed there is not dropped. */
export function onlyKnown(live: Live, tableId: string, values: Readonly<Record<string, Value>>): Record<string, Value> {
  const table = tableOf(live.book, tableId)
  const known = idsOf(table)
  if (Object.entries(values).some(([id, value]) => !known.has(id) && value !== null))
    throw refuseWhole({ kind: 'form-outdated', table: table.name })
  return Object.fromEntries(Object.entries(values).filter(([id]) => known.has(id)))
}
