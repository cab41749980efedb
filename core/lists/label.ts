import { type Book, type Field, fieldOf, linkOf, type Table, tableOf } from '../book'
import { faceOf } from '../expressions'
import { quoteName } from '../names'
import type { PhysicalNames } from '../opening'

/** A table joined in to say what a linked record is known by. */
export interface Join {
  readonly alias: string
  readonly sql: string
}

/** One column of what a record is known by, and the field that writes it for people. */
export interface LabelPiece {
  readonly sql: string
  readonly field: Field
}

export interface LabelPlan {
  readonly joins: readonly Join[]
  readonly pieces: readonly LabelPiece[]
}

// A record known by a link to a record known by a link … stops here; what is left out is only words.
const deepest = 3

/**
 * How to find what the records of a table are known by, following links. `alias` is the table's own;
 * joined tables are called after it, so that several plans fit in one statement.
 */
export function labelPlan(book: Book, names: PhysicalNames, table: Table, alias: string, depth = 0): LabelPlan {
  const joins: Join[] = []
  const pieces: LabelPiece[] = []
  const stored = table.knownBy.filter((id) => names.columns(table.id, id).length > 0)
  const known = stored.length > 0 ? stored : table.key
  for (const id of known) {
    const field = faceOf(book, fieldOf(table, id))
    if (field.kind !== 'link') {
      pieces.push({ sql: columnSql(alias, names.columns(table.id, id)[0]!.name), field })
    } else if (depth < deepest) {
      const joined = joinPlan(book, names, table, field, alias, depth + 1)
      joins.push(...joined.joins)
      pieces.push(...joined.pieces)
    }
  }
  return { joins, pieces }
}

/** The plan for the record that a link field points to. */
export function joinPlan(
  book: Book,
  names: PhysicalNames,
  table: Table,
  field: Field,
  alias: string,
  depth = 1,
): LabelPlan {
  const target = tableOf(book, linkOf(book, field.id).one)
  const inner = `${alias}_${table.fields.indexOf(field)}`
  const keys = target.key.flatMap((id) => names.columns(target.id, id))
  const on = names
    .columns(table.id, field.id)
    .map((column, at) => `${columnSql(inner, keys[at]!.name)} = ${columnSql(alias, column.name)}`)
  const plan = labelPlan(book, names, target, inner, depth)
  const join = { alias: inner, sql: `LEFT JOIN ${names.quoted(target.id)} ${inner} ON ${on.join(' AND ')}` }
  return { joins: [join, ...plan.joins], pieces: plan.pieces }
}

/** The plan for the name of the file that a field keeps: no part of what a record is known by. */
export function fileNamePlan(names: PhysicalNames, table: Table, field: Field, alias: string): LabelPlan {
  const inner = `${alias}_${table.fields.indexOf(field)}`
  const [column] = names.columns(table.id, field.id)
  const on = `${columnSql(inner, 'hash')} = ${columnSql(alias, column!.name)}`
  return {
    joins: [{ alias: inner, sql: `LEFT JOIN ${names.files} ${inner} ON ${on}` }],
    pieces: [{ sql: columnSql(inner, 'file_name'), field: fileName }],
  }
}

// A file's name is written as it stands.
const fileName: Field = { id: 'file-name', name: 'File name', kind: 'line' }

export const columnSql = (alias: string, column: string) => `${alias}.${quoteName(column)}`
