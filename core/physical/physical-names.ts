import { type Book, type Field, fieldOf, linkOf, mustHold, type Table, tableOf } from '../book'
import { derivedOf, isStored } from '../expressions'
import { type ColumnType, isDerived, kindOf, type Look, quoteText } from '../kinds'
import { ownColumns, ownTable, physicalName, quoteName } from '../names'
import type { LiveColumn } from './schema'

/** The live names of a book's tables and fields, by id. The same book always gives the same names. */
export interface PhysicalNames {
  readonly table: (id: string) => string
  /** The table's name quoted, with the live schema before it where one was given. */
  readonly quoted: (id: string) => string
  /** The table that keeps the files, quoted in the same manner. */
  readonly files: string
  /** The name of something else that stands there, quoted in the same manner. */
  readonly placed: (name: string) => string
  /** A column of what goes by an alias in a statement, quoted in the same manner. */
  readonly column: (alias: string, name: string) => string
  /** None for a derived field that isn't stored. */
  readonly columns: (tableId: string, fieldId: string) => readonly LiveColumn[]
  /** The view that shows a table with its derived fields, and what one of those is called in it. */
  readonly view: (tableId: string) => string
  readonly inView: (tableId: string, fieldId: string) => string
}

/**
 * Derives every physical name and column. A link field has one column for each column of the key it
 * points to: named like the field where there is one, with the key's column behind it where there are several.
 */
export function physicalNames(book: Book, schema?: string): PhysicalNames {
  const tables = new Map<string, string>()
  const { naming } = book.look
  // Names that were chosen come before those that are derived.
  const chosen = (parts: readonly { readonly liveName?: string | undefined }[]) =>
    parts.flatMap((part) => (part.liveName ? [part.liveName.toLowerCase()] : []))
  const takenTables = new Set<string>([ownTable, ...chosen(book.tables)])
  for (const table of book.tables) {
    const name = table.liveName ?? physicalName(table.name, 'table', takenTables, naming)
    takenTables.add(name.toLowerCase())
    tables.set(table.id, name)
  }
  const views = new Map<string, string>()
  const view = (id: string): string => {
    if (views.size === 0)
      for (const table of book.tables) {
        const name = physicalName(
          `${tables.get(table.id)!} full`,
          'table',
          takenTables,
          naming === 'capitals' ? naming : 'plain',
        )
        takenTables.add(name.toLowerCase())
        views.set(table.id, name)
      }
    return views.get(id)!
  }
  const inView = new Map<string, string>()
  const nameOf = (field: Field, taken: ReadonlySet<string>) =>
    field.liveName ?? physicalName(field.name, 'field', taken, naming)
  const severalName = (field: Field, key: LiveColumn, taken: ReadonlySet<string>) =>
    physicalName(`${field.liveName ?? field.name} ${apart(key.name)}`, 'field', taken, naming)
  type OfTable = Map<string, readonly LiveColumn[]>
  const place = (table: Table, fields: readonly Field[], before: OfTable): OfTable => {
    const ofTable = new Map(before)
    const taken = new Set<string>([...ownColumns, ...chosen(table.fields)])
    for (const column of [...before.values()].flat()) taken.add(column.name.toLowerCase())
    for (const field of fields) {
      if (isDerived(field) && !isStored(field)) {
        const name = nameOf(field, taken)
        taken.add(name.toLowerCase())
        inView.set(field.id, name)
        ofTable.set(field.id, [])
        continue
      }
      const own = field.kind === 'link' ? linkColumns(field, table, taken) : [plainColumn(field, table, taken)]
      for (const column of own) taken.add(column.name.toLowerCase())
      ofTable.set(field.id, own)
    }
    return ofTable
  }
  // Keys come first and by themselves: no key leads back to itself, while other links may go in circles.
  const keys = new Map<string, OfTable>()
  const keyColumns = (table: Table): OfTable => {
    const fields = table.key.map((id) => fieldOf(table, id))
    const known = keys.get(table.id) ?? place(table, fields, new Map())
    keys.set(table.id, known)
    return known
  }
  const made = new Map<string, OfTable>()
  const columns = (tableId: string): OfTable => {
    const known = made.get(tableId)
    if (known) return known
    const table = tableOf(book, tableId)
    const others = table.fields.filter((field) => !table.key.includes(field.id))
    const placed = place(table, others, keyColumns(table))
    made.set(tableId, placed)
    return placed
  }
  const linkColumns = (field: Field, table: Table, taken: ReadonlySet<string>): LiveColumn[] => {
    const target = tableOf(book, linkOf(book, field.id).one)
    const ofKey = keyColumns(target)
    const leadTo = target.key.flatMap((id) => ofKey.get(id) ?? [])
    const own = new Set(taken)
    return leadTo.map((key) => {
      const name = leadTo.length === 1 ? nameOf(field, own) : severalName(field, key, own)
      own.add(name.toLowerCase())
      return {
        id: leadTo.length === 1 ? field.id : `${field.id}/${key.id}`,
        field: field.id,
        leaf: key.leaf,
        title: field.name,
        name,
        type: key.type,
        notNull: mustHold(table, field),
        comment: commentOf(field),
      }
    })
  }
  const plainColumn = (field: Field, table: Table, taken: ReadonlySet<string>): LiveColumn => {
    const kind = kindOf(field.kind)
    const tick = kind.control === 'tick'
    const initial = tick ? (field.startsAs ?? '0') : literalStart(field)
    return {
      id: field.id,
      field: field.id,
      leaf: field.id,
      title: field.name,
      name: nameOf(field, taken),
      type: isDerived(field) ? derivedType(book, field) : columnTypeOf(field, book.look),
      notNull: tick || mustHold(table, field),
      ...(initial !== undefined && { initial }),
      comment: commentOf(field),
    }
  }
  const quoted = (name: string) => (schema ? `${quoteName(schema)}.` : '') + quoteName(name)
  return {
    table: (id) => tables.get(id)!,
    quoted: (id) => quoted(tables.get(id)!),
    files: quoted(ownTable),
    placed: quoted,
    column: (alias, name) => `${alias}.${quoteName(name)}`,
    columns: (tableId, fieldId) => columns(tableId).get(fieldId) ?? [],
    view,
    inView: (tableId, fieldId) => {
      const [stored] = columns(tableId).get(fieldId) ?? []
      return stored?.name ?? inView.get(fieldId)!
    },
  }
}

/** A stored derived field has a column of what it looks like; a number has all the digits it may come to. */
function derivedType(book: Book, field: Field): ColumnType {
  const made = derivedOf(book, field.id)
  if ('problem' in made) return { is: 'text', most: 200 }
  const { type } = made.tree
  if (field.kind !== 'copied' && type.is === 'exact') return type
  return made.display.kind === 'running' && type.is === 'text'
    ? { is: 'text', most: 40 }
    : columnTypeOf(made.display, book.look)
}

function columnTypeOf(field: Field, look: Look): ColumnType {
  const type = kindOf(field.kind).columnType(field, look)
  if (!type) throw new Error(`Expected a ${field.kind} field to have a column of its own.`)
  return type
}

/** "ForVisit" as the words it was made of. */
const apart = (name: string) => name.replace(/([a-z\d])([A-Z])/g, '$1 $2')

/** A first value that is the same for every record can stand in the database too. */
function literalStart(field: Field): string | undefined {
  const start = field.startsAs
  if (start === undefined || ['today', 'tomorrow', 'now'].includes(start) || field.kind === 'passage') return undefined
  const stored = kindOf(field.kind).store(start)
  return typeof stored === 'number' || kindOf(field.kind).align === 'end' ? String(stored) : quoteText(String(stored))
}

const commentOf = (field: Field) =>
  [field.note ?? field.name, field.unit && `(${field.unit})`].filter(Boolean).join(' ').slice(0, 1000)
