import * as z from 'zod'
import { fail, type Json, ok } from '../../words'
import type { Field, Table } from '../book'
import { limits } from '../limits'
import { putLink, putTable } from '../build-steps'
import { findTable, linksFrom } from '../find'
import { type EditKind, Id, readName, typedName } from './edit-kind'

const CopyTable = z.strictObject({
  kind: z.literal('copyTable'),
  table: Id,
  id: Id,
  name: typedName,
  /** A new id for each field of the table and each link it carries. */
  ids: z.record(Id, Id),
})

/** A derived field's expressions speak of the copy's own facts. */
const withIds = (field: Field, ids: Readonly<Record<string, string>>): Field => ({
  ...field,
  ...(field.source !== undefined && { source: renamed(field.source, ids) }),
  ...(field.freezes !== undefined && { freezes: renamed(field.freezes, ids) }),
})

function renamed(json: Json, ids: Readonly<Record<string, string>>): Json {
  if (typeof json === 'string') return ids[json] ?? json
  if (typeof json !== 'object' || json === null) return json
  if (Array.isArray(json)) return json.map((part: Json) => renamed(part, ids))
  return Object.fromEntries(Object.entries(json).map(([key, part]) => [key, renamed(part, ids)]))
}

/** Copies the design of a table, with the links its own fields carry. */
export const copyTable: EditKind<z.infer<typeof CopyTable>> = {
  schema: CopyTable,
  steps(book, { table: from, id, name: typed, ids }) {
    const table = findTable(book, from)
    if (!table) return fail({ kind: 'gone', what: 'table' })
    const name = readName(typed, 'table', book.tables)
    if (!name.ok) return name
    if (book.tables.length >= limits.tables) return fail({ kind: 'too-many', what: 'table', limit: limits.tables })
    const links = linksFrom(book, from)
    const renewed = (old: string) => ids[old]
    if ([...table.fields, ...links].some((part) => !renewed(part.id))) return fail({ kind: 'stale', what: table.name })
    const { spot: _spot, liveName: _liveName, ...rest } = table
    const copy: Table = {
      ...rest,
      id,
      name: name.value,
      fields: table.fields.map((field) => ({ ...withIds(field, ids), id: renewed(field.id)! })),
      key: table.key.map((field) => renewed(field)!),
      knownBy: table.knownBy.map((field) => renewed(field)!),
    }
    const copiedLinks = links.map((link) => ({
      ...link,
      id: renewed(link.id)!,
      many: id,
      one: link.one === from ? id : link.one,
      field: renewed(link.field)!,
      ...(link.limits && {
        limits: link.limits.map((limit) => ({
          ...limit,
          ...(limit.when && { when: { ...limit.when, field: renewed(limit.when.field)! } }),
        })),
      }),
    }))
    return ok([putTable(copy), ...copiedLinks.map(putLink)])
  },
  say: (book, { table, name }) => `Copy ${findTable(book, table)?.name ?? 'a table'} as ${name.trim()}`,
}
