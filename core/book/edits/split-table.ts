import * as z from 'zod'
import { fail, type Json, ok } from '../../words'
import type { Book, Field, Link, Rule, Table } from '../book'
import { limits } from '../limits'
import { dropLimitsOn, dropPart, putField, putLink, putTable, setKeys, speaksOf } from '../build-steps'
import { findField, findLink, findTable, linksTo, tableOf } from '../find'
import type { Step } from '../steps'
import { type Bridge, rulesFollow, sourcesFollow } from './expressions-follow'
import { type EditKind, freeName, Id, inTurn, numberName, readName, typedName } from './edit-kind'

const SplitTable = z.strictObject({
  kind: z.literal('splitTable'),
  table: Id,
  /** Ids for the new table, its key, the link between the two and the field that carries it. */
  id: Id,
  keyField: Id,
  link: Id,
  linkField: Id,
  name: typedName,
  /** The fields that move. */
  fields: z.array(Id).min(1).max(limits.fieldsPerTable),
  /**
   * "kind": what moves is told of a kind that many records share, a model and the ones that stand in houses.
   * "rows": what moves comes several times for each record.
   */
  as: z.enum(['kind', 'rows']),
})

/** Makes two tables of one: a thing and its kind, or a thing and its repeated parts. Fields keep their ids, so needs and links follow. */
export const splitTable: EditKind<z.infer<typeof SplitTable>> = {
  schema: SplitTable,
  steps(book, edit) {
    const table = findTable(book, edit.table)
    if (!table) return fail({ kind: 'gone', what: 'table' })
    const name = readName(edit.name, 'table', book.tables)
    if (!name.ok) return name
    const moving = table.fields.filter((field) => edit.fields.includes(field.id))
    if (moving.length !== edit.fields.length) return fail({ kind: 'gone', what: 'field' })
    const keyed = moving.find((field) => table.key.includes(field.id))
    if (keyed) return fail({ kind: 'key-stays', field: keyed.name })
    if (book.tables.length >= limits.tables) return fail({ kind: 'too-many', what: 'table', limit: limits.tables })
    if (book.links.length >= limits.links) return fail({ kind: 'too-many', what: 'link', limit: limits.links })
    if (edit.as === 'rows' && table.key.length === 0) return fail({ kind: 'link-needs-key', table: table.name })
    return ok(
      inTurn(
        book,
        () => [putTable(newTable(edit.id, edit.keyField, name.value, moving))],
        (now) => moving.flatMap((field) => moveField(now, table, field, edit.id)),
        (now) => keepKnownBy(now, edit.table, edit.id, moving),
        (now) => tieBack(now, table, edit, name.value),
        (now) => sayingsFollow(book, now, table, edit),
        (now) => tickAlso(now, moving, edit.id),
      ),
    )
  },
  say: (book, { table, name }) => `Split ${name.trim()} off ${findTable(book, table)?.name ?? 'a table'}`,
}

const newTable = (id: string, keyField: string, name: string, moving: readonly Field[]): Table => ({
  id,
  name,
  fields: [
    {
      id: keyField,
      name: freeName(numberName(name), moving),
      kind: 'running',
      must: true,
    },
  ],
  key: [keyField],
  knownBy: [keyField],
})

/**
 * What is said of the table is said over the new link where fields have parted: of a thing and its kind at the thing,
 * of a thing and its parts at each part. A rule of nothing but what moves goes along.
 */
function sayingsFollow(
  before: Book,
  book: Book,
  from: Table,
  { fields, id: to, linkField, as }: z.infer<typeof SplitTable>,
): Step[] {
  const moving = new Set(fields)
  // The table's own fields, and the rows that hang on it, stay where they are.
  const staying = new Set([
    ...from.fields.map((field) => field.id).filter((id) => !moving.has(id)),
    ...linksTo(before, from.id).map((link) => link.id),
  ])
  // From a part there is one way to its thing; from a thing to its kind.
  const [many, one] = as === 'kind' ? [from.id, to] : [to, from.id]
  const bridge: Bridge = (here, field) =>
    here === many && findField(book, field)?.table.id === one ? [linkField] : undefined
  const placed = (rule: Rule) => {
    const says = rule.says as Json
    if (rule.table !== from.id || !speaksOf(says, moving)) return rule.table
    return speaksOf(says, staying) ? (standsAtMany(rule, moving) ? many : rule.table) : to
  }
  return inTurn(
    book,
    (now) => rulesFollow({ before, after: now, bridge }, placed),
    (now) => sourcesFollow({ before, after: now, bridge }),
  )
}

/** What compares or closes records stays with the fields that it compares, and with the records that it closes. */
function standsAtMany({ says }: Rule, moving: ReadonlySet<string>): boolean {
  if (says.kind === 'apart') return [...says.same, says.from, says.to].every((id) => moving.has(id))
  return says.kind === 'holds'
}

/**
 * Moves a field with its link. Limits that asked it where it was are limits no longer, nor are those of its link that
 * ask something it leaves behind.
 */
export function moveField(book: Book, from: Table, field: Field, to: string, name = field.name): Step[] {
  const link = book.links.find((candidate) => candidate.field === field.id)
  return inTurn(
    book,
    (now) => dropLimitsOn(now, field.id),
    (now) => [dropPart(now, 'fields', field.id, from.id)],
    (now) => [putField(to, { ...withFreeLiveName(field, findTable(now, to)), name })],
    (now) => {
      const moved = link && findLink(now, link.id)
      const left = moved?.limits?.filter(({ when }) => !when)
      return moved ? setKeys(moved, moved.id, { many: to, limits: left?.length ? left : undefined }) : []
    },
  )
}

/** A chosen live name that another field has there already goes back to the derived one. */
function withFreeLiveName(field: Field, table: Table | undefined): Field {
  const { liveName, ...rest } = field
  const taken = table?.fields.some((other) => other.liveName?.toLowerCase() === liveName?.toLowerCase())
  return liveName && taken ? rest : field
}

function keepKnownBy(book: Book, oldId: string, newId: string, moved: readonly Field[]): Step[] {
  const [old, fresh] = [tableOf(book, oldId), tableOf(book, newId)]
  const gone = new Set(moved.map((field) => field.id))
  const left = old.knownBy.filter((id) => !gone.has(id))
  const named = moved.find((field) => field.kind === 'line' || field.kind === 'code')
  return [
    ...setKeys(old, oldId, { knownBy: left.length > 0 ? left : old.key }),
    ...(named ? setKeys(fresh, newId, { knownBy: [named.id] }) : []),
  ]
}

function tieBack(
  book: Book,
  table: Table,
  { as, id, link: linkId, linkField }: z.infer<typeof SplitTable>,
  name: string,
): Step[] {
  const [one, many] = as === 'kind' ? [id, table.id] : [table.id, id]
  const carrier = tableOf(book, many).fields
  const field: Field = {
    id: linkField,
    name: freeName(as === 'kind' ? name : table.name, carrier),
    kind: 'link',
    must: true,
  }
  const link: Link = { id: linkId, one, many, field: linkField, least: 0, onRemove: as === 'kind' ? 'keep' : 'remove' }
  return [putField(many, field), putLink(link)]
}

/** Needs that asked for what moved ask for the new table too. */
const tickAlso = (book: Book, moved: readonly Field[], id: string): Step[] =>
  book.needs.flatMap((need) =>
    moved.some((field) => need.metBy.includes(field.id)) ? setKeys(need, need.id, { metBy: [...need.metBy, id] }) : [],
  )
