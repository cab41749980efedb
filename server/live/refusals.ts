import { type Field, fieldOf, findField, linkOf, type Table, tableOf } from '@/core/book'
import { kindOf, showValue } from '@/core/kinds'
import type { Problem } from '@/core/words'
import { type Live, liveTable, namesOf } from './live'

/** What the database said when it refused a row, as a problem with the field it belongs to. */
export interface Refusal {
  readonly field: string | undefined
  readonly problem: Problem
  /** Where several fields together are refused, all of them. */
  readonly fields?: readonly string[]
}

interface DatabaseError {
  readonly errno?: number
  readonly sqlMessage?: string
  /** The connection is gone. */
  readonly fatal?: boolean
}

export function databaseErrorOf(cause: unknown): DatabaseError {
  const error = cause as { original?: DatabaseError; parent?: DatabaseError } & DatabaseError
  return error.original ?? error.parent ?? error
}

/** A transaction that lost a deadlock or waited too long may simply be run again. */
export const isPassing = (cause: unknown) => [1213, 1205].includes(databaseErrorOf(cause).errno ?? 0)

export const isDuplicate = (cause: unknown) => databaseErrorOf(cause).errno === 1062

/** Puts the database's refusal of a row of this table into a problem; undefined for what isn't one. */
export function refusalOf(live: Live, tableId: string, cause: unknown): Refusal | undefined {
  const { errno, sqlMessage = '' } = databaseErrorOf(cause)
  const table = tableOf(live.book, tableId)
  switch (errno) {
    case 1062:
      return duplicate(live, table, sqlMessage)
    case 1451:
      return stillUsed(live, table, sqlMessage)
    case 1452:
      return deadLink(live, table, sqlMessage)
    // A trigger's own words.
    case 1644:
      return { field: undefined, problem: { kind: 'in-own-words', words: wordsIn(sqlMessage) } }
    case 4025:
      return brokenCheck(live, table, sqlMessage)
    case 1048:
    case 1264:
    case 1265:
    case 1366:
    case 1406:
      return {
        field: fieldOfColumn(live, tableId, /column '([^']+)'/i.exec(sqlMessage)?.[1]?.split('`').at(-1)),
        problem: { kind: 'database-refused' },
      }
    default:
      return undefined
  }
}

/** The driver writes the statement behind what the database said. */
const wordsIn = (message: string) =>
  message
    .replace(/^\(conn:.*?\) /, '')
    .split('\nsql:')[0]!
    .trim()

const fieldOfColumn = (live: Live, tableId: string, column: string | undefined) =>
  liveTable(live, tableId).columns.find((candidate) => candidate.name === column)?.field

function duplicate(live: Live, table: Table, message: string): Refusal {
  const [, value = '', name = ''] = /Duplicate entry '(.*)' for key '(?:.*\.)?([^'.]+)'/s.exec(message) ?? []
  const layout = liveTable(live, table.id)
  const rule = live.book.rules.find((one) => one.id === layout.uniques.find((unique) => unique.name === name)?.rule)
  const columns =
    name === 'PRIMARY' ? layout.primaryKey : (layout.uniques.find((unique) => unique.name === name)?.columns ?? [])
  const fields = [
    ...new Set(columns.map((column) => fieldOfColumn(live, table.id, column)).filter((id) => id !== undefined)),
  ]
  const own = fields.map((id) => fieldOf(table, id))
  const at = { field: fields.at(-1), fields }
  if (rule) return { ...at, problem: { kind: 'in-own-words', words: rule.words } }
  if (own.length <= 2 && own.every((field) => field.kind === 'link')) {
    const to = own.map((field) => tableOf(live.book, linkOf(live.book, field.id).one).name)
    return { ...at, problem: { kind: 'linked-already', table: table.name, to } }
  }
  const [only] = own.length === 1 ? own : []
  const said = only && only.kind !== 'link' ? valueIn(live, only, value) : undefined
  const names = own.map(({ name }) => name)
  return { ...at, problem: { kind: 'taken', table: table.name, fields: names, ...(said && { value: said }) } }
}

/** A value as the database wrote it into its message, as people see it. */
const valueIn = ({ book }: Live, field: Field, value: string): string =>
  showValue(kindOf(field.kind).load(value), field, book.look)

/** Other records still lead to one that was to go, or to be called otherwise. */
function stillUsed(live: Live, table: Table, message: string): Refusal {
  const child = /`([^`]+)`, CONSTRAINT/.exec(message)?.[1]
  const by = live.book.tables.find(({ id }) => namesOf(live).table(id) === child)
  return {
    field: undefined,
    problem: { kind: 'in-use', table: table.name, by: by ? [{ table: by.name, count: 1 }] : [] },
  }
}

function deadLink(live: Live, table: Table, message: string): Refusal {
  const name = /CONSTRAINT `([^`]+)` FOREIGN KEY/.exec(message)?.[1]
  const key = liveTable(live, table.id).foreignKeys.find((candidate) => candidate.name === name)
  const id = fieldOfColumn(live, table.id, key?.columns[0])
  if (!id) return { field: undefined, problem: { kind: 'database-refused' } }
  const field = fieldOf(table, id)
  if (kindOf(field.kind).control === 'file') return { field: id, problem: { kind: 'no-such-file' } }
  return {
    field: id,
    problem: { kind: 'dead-link', field: field.name, table: tableOf(live.book, linkOf(live.book, id).one).name },
  }
}

function brokenCheck(live: Live, table: Table, message: string): Refusal {
  const name = /CONSTRAINT `(?:[^`]+`\.`)*([^`]+)` failed/.exec(message)?.[1]
  const check = liveTable(live, table.id).checks.find((one) => one.name === name)
  const rule = live.book.rules.find((one) => one.id === check?.rule)
  if (rule) return { field: check?.field, problem: { kind: 'in-own-words', words: rule.words } }
  const id = check?.field
  const field = id ? findField(live.book, id)?.field : undefined
  const words =
    field?.refusal ?? (field && `The database takes only this: ${kindOf(field.kind).summary(field, live.book.look)}.`)
  return { field: id, problem: words ? { kind: 'in-own-words', words } : { kind: 'database-refused' } }
}
