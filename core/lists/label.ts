import { nth } from '../words'
import { type Book, type Field, fieldOf, linkOf, mustHold, type Table, tableOf } from '../book'
import { displayOf } from '../expressions'
import { quoteName } from '../names'
import type { PhysicalNames } from '../physical'

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
  /** Left out of the words, because fewer tell the records apart; looked through all the same. */
  readonly unsaid: readonly LabelPiece[]
}

// A record known by a link to a record known by a link … stops here; what is left out is only words.
const deepest = 3

/**
 * How to find what the records of a table are known by, following links. `alias` is the table's own;
 * joined tables are called after it, so that several plans fit in one statement. Within what another record is shown
 * as, one part that every record has of its own says enough: V-00418, and not its day and time as well.
 */
export function labelPlan(
  book: Book,
  names: PhysicalNames,
  table: Table,
  alias: string,
  depth = 0,
  within = false,
): LabelPlan {
  const { known, unsaid } = knownParts(book, names, table, alias, within)
  const joins: Join[] = []
  const pieces: LabelPiece[] = []
  for (const id of known) {
    const field = displayOf(book, fieldOf(table, id))
    if (field.kind !== 'link') {
      pieces.push({ sql: names.column(alias, nth(names.columns(table.id, id), 0).name), field })
    } else if (depth < deepest) {
      const joined = joinPlan(book, names, table, field, alias, depth + 1, true)
      joins.push(...joined.joins)
      pieces.push(...joined.pieces)
      unsaid.push(...joined.unsaid)
    }
  }
  return { joins, pieces, unsaid }
}

function knownParts(book: Book, names: PhysicalNames, table: Table, alias: string, within: boolean) {
  const stored = table.knownBy.filter((id) => names.columns(table.id, id).length > 0)
  const known = stored.length > 0 ? stored : table.key
  const alone = within ? known.find((id) => isAlone(table, id)) : undefined
  const unsaid: LabelPiece[] = []
  if (alone !== undefined)
    for (const id of known.filter((other) => other !== alone)) {
      const field = displayOf(book, fieldOf(table, id))
      if (field.kind !== 'link')
        unsaid.push({ sql: names.column(alias, nth(names.columns(table.id, id), 0).name), field })
    }
  return { known: alone === undefined ? known : [alone], unsaid }
}

/** Whether a field alone is different in every record, and always filled. */
function isAlone(table: Table, id: string): boolean {
  const field = fieldOf(table, id)
  const isKey = table.key.length === 1 && table.key[0] === id
  return field.kind !== 'link' && (isKey || (field.unique === true && mustHold(table, field)))
}

/** The plan for the record that a link field points to. */
export function joinPlan(
  book: Book,
  names: PhysicalNames,
  table: Table,
  field: Field,
  alias: string,
  depth = 1,
  within = false,
): LabelPlan {
  const target = tableOf(book, linkOf(book, field.id).one)
  const inner = `${alias}_${table.fields.indexOf(field)}`
  const keys = target.key.flatMap((id) => names.columns(target.id, id))
  const on = names
    .columns(table.id, field.id)
    .map((column, at) => `${names.column(inner, nth(keys, at).name)} = ${names.column(alias, column.name)}`)
  const plan = labelPlan(book, names, target, inner, depth, within)
  const join = { alias: inner, sql: `LEFT JOIN ${names.quoted(target.id)} ${inner} ON ${on.join(' AND ')}` }
  return { joins: [join, ...plan.joins], pieces: plan.pieces, unsaid: plan.unsaid }
}

/** The plan for the name of the file that a field keeps: no part of what a record is known by. */
export function fileNamePlan(names: PhysicalNames, table: Table, field: Field, alias: string): LabelPlan {
  const inner = `${alias}_${table.fields.indexOf(field)}`
  const [column] = names.columns(table.id, field.id)
  const on = `${names.column(inner, 'hash')} = ${names.column(alias, column!.name)}`
  return {
    joins: [{ alias: inner, sql: `LEFT JOIN ${names.files} ${inner} ON ${on}` }],
    pieces: [{ sql: names.column(inner, 'file_name'), field: fileName }],
    unsaid: [],
  }
}

// A file's name is written as it stands.
const fileName: Field = { id: 'file-name', name: 'File name', kind: 'line' }

export const columnSql = (alias: string, column: string) => `${alias}.${quoteName(column)}`
