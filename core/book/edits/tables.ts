import * as z from 'zod'
import { fail, listed, ok } from '../../words'
import type { Table } from '../book'
import { limits } from '../limits'
import { movePart, setKeys } from '../build-steps'
import { fieldOf, findTable, linksTo } from '../find'
import { keyHindrance } from '../keys'
import { type EditKind, Id, orNothing, readName, typedName } from './edit-kind'

const gone = fail({ kind: 'gone', what: 'table' })
const nameOf = (book: Parameters<typeof findTable>[0], id: string) => findTable(book, id)?.name ?? 'a table'

const RenameTable = z.strictObject({ kind: z.literal('renameTable'), table: Id, name: typedName })

export const renameTable: EditKind<z.infer<typeof RenameTable>> = {
  schema: RenameTable,
  steps(book, { table: id, name: typed }) {
    const table = findTable(book, id)
    if (!table) return gone
    const name = readName(
      typed,
      'table',
      book.tables.filter((other) => other !== table),
    )
    return name.ok ? orNothing(setKeys(table, id, { name: name.value })) : name
  },
  say: (book, { table, name }) => `Rename ${nameOf(book, table)} to ${name.trim()}`,
}

const DescribeTable = z.strictObject({ kind: z.literal('describeTable'), table: Id, describe: z.string().max(4000) })

export const describeTable: EditKind<z.infer<typeof DescribeTable>> = {
  schema: DescribeTable,
  steps(book, { table: id, describe }) {
    const table = findTable(book, id)
    if (!table) return gone
    const text = describe.trim()
    if (text.length > limits.describeLength) {
      return fail({ kind: 'too-long', limit: limits.describeLength, length: text.length })
    }
    return orNothing(setKeys(table, id, { describe: text || undefined }))
  },
  say: (book, { table }) => `Describe ${nameOf(book, table)}`,
}

const MoveTable = z.strictObject({ kind: z.literal('moveTable'), table: Id, before: Id.nullable() })

export const moveTable: EditKind<z.infer<typeof MoveTable>> = {
  schema: MoveTable,
  steps: (book, { table, before }) =>
    findTable(book, table) ? orNothing(movePart(book, 'tables', null, table, before)) : gone,
  say: (book, { table }) => `Move ${nameOf(book, table)} in the list`,
}

const Ids = z.array(Id).max(8)
const SetKey = z.strictObject({ kind: z.literal('setKey'), table: Id, fields: Ids })

/** Chooses the key. Link columns of other tables follow by themselves, since they are derived from it. */
export const setKey: EditKind<z.infer<typeof SetKey>> = {
  schema: SetKey,
  steps(book, { table: id, fields }) {
    const table = findTable(book, id)
    if (!table) return gone
    const key = [...new Set(fields)]
    if (key.some((field) => !table.fields.some((candidate) => candidate.id === field))) {
      return fail({ kind: 'gone', what: 'field' })
    }
    if (key.length === 0 && linksTo(book, id).length > 0) return fail({ kind: 'link-needs-key', table: table.name })
    for (const field of key) {
      const because = keyHindrance(book, table, fieldOf(table, field))
      if (because) return fail({ kind: 'not-as-key', field: fieldOf(table, field).name, because })
    }
    return orNothing([
      ...setKeys(table, id, {
        key,
        knownBy: table.knownBy.length === 0 ? key : table.knownBy,
        role: roleWith(table, key),
      }),
      ...key.flatMap((field) => setKeys(fieldOf(table, field), field, { must: true })),
    ])
  },
  say(book, { table: id, fields }) {
    const table = findTable(book, id)
    const names = table?.fields.filter((field) => fields.includes(field.id)).map((field) => field.name) ?? []
    return names.length === 0
      ? `Take the key of ${nameOf(book, id)} away`
      : `Make ${listed(names)} the key of ${nameOf(book, id)}`
  },
}

/** A table keyed by two links joins what they lead to; keyed otherwise, its records are things of their own. */
function roleWith(table: Table, key: readonly string[]): Table['role'] {
  if (table.role === 'word-list') return table.role
  return key.length === 2 && key.every((id) => fieldOf(table, id).kind === 'link') ? 'joining' : undefined
}

const SetKnownBy = z.strictObject({ kind: z.literal('setKnownBy'), table: Id, fields: Ids.min(1) })

/** Chooses what staff know a record by; shown wherever a link to it is chosen. */
export const setKnownBy: EditKind<z.infer<typeof SetKnownBy>> = {
  schema: SetKnownBy,
  steps(book, { table: id, fields }) {
    const table = findTable(book, id)
    if (!table) return gone
    if (fields.some((field) => !table.fields.some((candidate) => candidate.id === field))) {
      return fail({ kind: 'gone', what: 'field' })
    }
    return orNothing(setKeys(table, id, { knownBy: [...new Set(fields)] }))
  },
  say: (book, { table }) => `Choose what ${nameOf(book, table)} is shown as`,
}

const Spot = z.strictObject({ table: Id, x: z.number().min(-1e5).max(1e5), y: z.number().min(-1e5).max(1e5) })
const PlaceTables = z.strictObject({ kind: z.literal('placeTables'), spots: z.array(Spot).min(1).max(300) })

/** Puts cards somewhere on the map. */
export const placeTables: EditKind<z.infer<typeof PlaceTables>> = {
  schema: PlaceTables,
  steps(book, { spots }) {
    const steps = spots.flatMap(({ table: id, x, y }) => {
      const table = findTable(book, id)
      return table ? setKeys(table, id, { spot: { ...table.spot, x: Math.round(x), y: Math.round(y) } }) : []
    })
    return orNothing(steps)
  },
  say: (book, { spots }) =>
    spots.length === 1 ? `Move ${nameOf(book, spots[0]!.table)} on the map` : `Place ${spots.length} cards on the map`,
}

const TidyMap = z.strictObject({ kind: z.literal('tidyMap') })

/** Forgets where cards were put, but for pinned ones, so that the program lays them out again. */
export const tidyMap: EditKind<z.infer<typeof TidyMap>> = {
  schema: TidyMap,
  steps: (book) => {
    const steps = book.tables.flatMap((table) =>
      table.spot?.pinned ? [] : setKeys(table, table.id, { spot: undefined }),
    )
    return steps.length === 0 ? fail({ kind: 'nothing-to-change' }) : ok(steps)
  },
  say: () => 'Arrange the whole map again',
}
