import * as z from 'zod'
import { kindNames, type KindName, kindOf } from '../../kinds'
import { fail, type Json, ok } from '../../words'
import { type Book, Field, type Table } from '../book'
import { limits } from '../limits'
import { dropLimitsOn, dropLinkSteps, dropPart, dropRulesOn, movePart, putField, setKeys, untick } from '../build-steps'
import { findField, findTable, linksTo, partName, tableOf } from '../find'
import { keyHindrance } from '../keys'
import { checkSettings, onlyUsed } from '../settings-check'
import type { Step } from '../steps'
import { type EditKind, Id, inTurn, keepingKeys, orNothing, readName, typedName } from './edit-kind'
import { expressionsFollow } from './reword'

const KindNameSchema = z.enum(kindNames as [KindName, ...KindName[]])
const gone = fail({ kind: 'gone', what: 'field' })

const AddField = z.strictObject({
  kind: z.literal('addField'),
  table: Id,
  id: Id,
  name: typedName,
  holds: KindNameSchema,
  before: Id.nullable().optional(),
})

/** A new field with what its kind starts with. The first line of a table becomes what records are known by. */
export const addField: EditKind<z.infer<typeof AddField>> = {
  schema: AddField,
  steps(book, { table: tableId, id, name: typed, holds, before }) {
    const table = findTable(book, tableId)
    if (!table) return fail({ kind: 'gone', what: 'table' })
    if (holds === 'link') return fail({ kind: 'link-by-pairing' })
    const name = readName(typed, 'field', table.fields, table.name)
    if (!name.ok) return name
    if (table.fields.length >= limits.fieldsPerTable) {
      return fail({ kind: 'too-many', what: 'field', limit: limits.fieldsPerTable })
    }
    // What a kind starts with takes the book's own shape, as if it had been typed.
    const checked = checkSettings({ id, name: name.value, kind: holds, ...kindOf(holds).starts }, book.look)
    if (!checked.ok) return checked
    const field = checked.value
    return ok(
      inTurn(
        book,
        () => [putField(tableId, field, before ?? null)],
        () => (holds === 'line' && isKnownByNumber(table) ? setKeys(table, tableId, { knownBy: [id] }) : []),
      ),
    )
  },
  say: (book, { table, name, holds }) =>
    `Add ${name.trim()} (${kindOf(holds).title.toLowerCase()}) to ${findTable(book, table)?.name ?? 'a table'}`,
}

const isKnownByNumber = (table: Table) => {
  const [only, ...rest] = table.fields.filter((field) => table.knownBy.includes(field.id))
  return rest.length === 0 && only?.kind === 'running' && !only.prefix
}

const Changes = z.strictObject({
  ...Object.fromEntries(
    Object.entries(Field.omit({ id: true, name: true, liveName: true }).shape).map(([key, schema]) => [
      key,
      (schema as z.ZodType).nullable().optional(),
    ]),
  ),
  name: typedName.optional(),
} as {
  [Key in Exclude<keyof Field, 'id' | 'name' | 'liveName'>]: z.ZodOptional<z.ZodNullable<z.ZodType<Field[Key]>>>
} & {
  name: z.ZodOptional<z.ZodString>
})

const ChangeField = z.strictObject({ kind: z.literal('changeField'), field: Id, to: Changes })

/** Changes anything about a field: its name, its kind, its settings. Null takes a setting away. */
export const changeField: EditKind<z.infer<typeof ChangeField>> = {
  schema: ChangeField,
  steps(book, { field: id, to }) {
    const found = findField(book, id)
    if (!found) return gone
    const { table, field } = found
    const name = readName(
      to.name ?? field.name,
      'field',
      table.fields.filter((other) => other !== field),
      table.name,
    )
    if (!name.ok) return name
    const kinded = to.kind && to.kind !== field.kind
    if (kinded && (to.kind === 'link' || field.kind === 'link')) return fail({ kind: 'link-by-pairing' })
    const base = kinded ? { ...onlyUsed({ ...field, kind: to.kind! }), ...kindOf(to.kind!).starts } : field
    const wished = { ...base, ...withoutNulls(to), name: name.value } as Field
    if (to.choices) Object.assign(wished, { startsAs: followChoice(field, wished) })
    const checked = checkSettings(wished, book.look)
    if (!checked.ok) return checked
    const hindrance = hindranceOf(book, table, checked.value)
    if (hindrance) return fail(hindrance)
    const keys = new Set([...Object.keys(field), ...Object.keys(checked.value)])
    const values = checked.value as unknown as Record<string, Json>
    return orNothing([
      ...setKeys(field, id, Object.fromEntries([...keys].map((key) => [key, values[key]]))),
      ...limitsFollow(book, field, checked.value),
      ...(checked.value.kind === 'choice' ? expressionsFollow(book, field, checked.value) : []),
    ])
  },
  say(book, { field, to }) {
    if (to.name && Object.keys(to).length === 1) return `Rename ${partName(book, field)} to ${to.name.trim()}`
    if (to.kind) return `Make ${partName(book, field)} ${kindOf(to.kind).title.toLowerCase()}`
    return `Change ${partName(book, field)}`
  },
}

const withoutNulls = (to: object) =>
  Object.fromEntries(Object.entries(to).map(([key, value]) => [key, value ?? undefined]))

/** Limits that count rows with one word of a choice go on counting it when it is reworded, and go when it goes. */
function limitsFollow(book: Book, before: Field, after: Field): Step[] {
  return book.links.flatMap((link) => {
    if (!link.limits?.some(({ when }) => when?.field === before.id)) return []
    const limits = link.limits.flatMap((limit) => {
      if (limit.when?.field !== before.id) return [limit]
      if (before.kind !== after.kind) return []
      if (after.kind !== 'choice') return [limit]
      const choice = before.choices?.find(({ word }) => word === limit.when?.is)
      const is = choice && after.choices?.find(({ id }) => id === choice.id)?.word
      return is ? [{ ...limit, when: { ...limit.when, is } }] : []
    })
    return setKeys(link, link.id, { limits: limits.length > 0 ? limits : undefined })
  })
}

/** Where the first value was a choice that has been reworded, it is reworded with it; removed, it goes. */
function followChoice(before: Field, after: Field): string | undefined {
  const chosen = before.choices?.find((choice) => choice.word === after.startsAs)
  return chosen ? after.choices?.find((choice) => choice.id === chosen.id)?.word : after.startsAs
}

function hindranceOf(book: Book, table: Table, field: Field) {
  const because = table.key.includes(field.id) ? keyHindrance(book, table, field) : undefined
  if (because) return { kind: 'not-as-key', field: field.name, because } as const
  const leaves = book.links.some((link) => link.field === field.id && link.onRemove === 'leave')
  if (field.must && leaves) return { kind: 'must-cannot-leave', field: field.name } as const
  return undefined
}

const RemoveField = z.strictObject({ kind: z.literal('removeField'), field: Id })

/** Removes a field; a link field goes with its link. */
export const removeField: EditKind<z.infer<typeof RemoveField>> = {
  schema: RemoveField,
  steps(book, { field: id }) {
    const found = findField(book, id)
    if (!found) return gone
    const { table, field } = found
    const key = table.key.filter((part) => part !== id)
    const links = linksTo(book, table.id)
    if (table.key.includes(id) && key.length === 0 && links.length > 0) {
      return fail({ kind: 'key-holds-links', table: table.name, links: links.map((link) => partName(book, link.many)) })
    }
    const link = book.links.find((candidate) => candidate.field === id)
    const knownBy = table.knownBy.filter((part) => part !== id)
    return keepingKeys(
      book,
      inTurn(
        book,
        (now) => untick(now, new Set([id, link?.id ?? id])),
        (now) => dropLimitsOn(now, id),
        (now) => dropRulesOn(now, new Set([id])),
        (now) =>
          link
            ? dropLinkSteps(now, link.id)
            : [...setKeys(table, table.id, { key, knownBy }), dropPart(now, 'fields', id, table.id)],
        (now) => {
          const left = tableOf(now, table.id)
          const joins = left.role === 'joining' && link !== undefined && table.key.includes(field.id)
          return joins ? setKeys(left, left.id, { role: undefined }) : []
        },
      ),
    )
  },
  say: (book, { field }) => `Remove ${partName(book, field)}`,
}

const MoveField = z.strictObject({ kind: z.literal('moveField'), field: Id, before: Id.nullable() })

export const moveField: EditKind<z.infer<typeof MoveField>> = {
  schema: MoveField,
  steps(book, { field, before }) {
    const found = findField(book, field)
    return found ? orNothing(movePart(book, 'fields', found.table.id, field, before)) : gone
  },
  say: (book, { field }) => `Move ${partName(book, field)}`,
}
