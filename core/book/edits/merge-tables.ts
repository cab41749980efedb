import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import type { Book, Field, Table } from '../book'
import { limits } from '../limits'
import { dropLimitsOn, dropPart, dropRulesOn, setKeys, untick } from '../build-steps'
import { findTable, joiningBetween, linksBetween, linksTo, tableOf } from '../find'
import type { Step } from '../steps'
import { type EditKind, freeName, Id, inTurn, keepingKeys } from './edit-kind'
import { dropOfTable } from './kept-parts'
import { moveField } from './split-table'
import { untieSteps } from './untie'

const MergeTables = z.strictObject({
  kind: z.literal('mergeTables'),
  /** The table that goes, and the one that takes its fields, links and needs. */
  from: Id,
  into: Id,
})

/**
 * Makes one table of two. A field of the same name and kind is the same fact and stays once; the running
 * number that only told the other's records apart goes; links to the other lead here.
 */
export const mergeTables: EditKind<z.infer<typeof MergeTables>> = {
  schema: MergeTables,
  steps(book, { from, into }) {
    const [source, target] = [findTable(book, from), findTable(book, into)]
    if (!source || !target || source === target) return fail({ kind: 'gone', what: 'table' })
    const odd = [source, target].find((table) => table.role !== undefined)
    if (odd) return fail({ kind: 'not-plain', table: odd.name })
    if (target.key.length === 0) return fail({ kind: 'link-needs-key', table: target.name })
    if (source.fields.length + target.fields.length > limits.fieldsPerTable)
      return fail({ kind: 'too-many', what: 'field', limit: limits.fieldsPerTable })
    const untied = untieAll(book, from, into)
    if (!untied.ok) return untied
    const steps = inTurn(
      book,
      () => untied.value,
      (now) =>
        now.pairs.filter((pair) => pair.a === from || pair.b === from).map((pair) => dropPart(now, 'pairs', pair.id)),
      (now) => linksTo(now, from).flatMap((link) => setKeys(link, link.id, { one: into })),
      (now) => rulesOfBoth(now, from, into),
      (now) => bringFields(now, from, into),
      (now) => needsFollow(now, from, into),
      (now) => keptFollow(now, from, into),
      (now) => dropOfTable(now, 'forms', from),
      (now) => [dropPart(now, 'tables', from)],
    )
    return keepingKeys(book, steps)
  },
  say: (book, { from, into }) => `Merge ${findTable(book, from)?.name ?? ''} into ${findTable(book, into)?.name ?? ''}`,
}

/** One table has no tie to itself for having had one to the other. */
function untieAll(book: Book, from: string, into: string): Result<Step[]> {
  const ties = [...joiningBetween(book, from, into), ...linksBetween(book, from, into)].map((tie) => tie.id)
  let refused: Result<never> | undefined
  const steps = inTurn(
    book,
    ...ties.map((tie) => (now: Book): readonly Step[] => {
      const untied = untieSteps(now, tie)
      if (!untied.ok) refused = untied
      return untied.ok ? untied.value : []
    }),
  )
  return refused ?? ok(steps)
}

/** Rules of the table that goes hold for the other, but for those on fields that go because it has them itself. */
function rulesOfBoth(book: Book, from: string, into: string): Step[] {
  const [source, target] = [tableOf(book, from), tableOf(book, into)]
  const gone = source.fields.filter((field) => staysBehind(source, target, field)).map((field) => field.id)
  return inTurn(
    book,
    (now) => dropRulesOn(now, new Set(gone)),
    (now) => now.rules.filter((rule) => rule.table === from).flatMap((rule) => setKeys(rule, rule.id, { table: into })),
  )
}

const twinOf = (target: Table, field: Field) =>
  target.fields.find((other) => other.name.toLowerCase() === field.name.toLowerCase() && other.kind === field.kind)

/** What both have is kept once, and a number that only told the other's records apart goes. */
const staysBehind = (source: Table, target: Table, field: Field) =>
  field.kind !== 'link' &&
  (twinOf(target, field) !== undefined || (source.key.includes(field.id) && field.kind === 'running'))

function bringFields(book: Book, from: string, into: string): Step[] {
  const source = tableOf(book, from)
  return inTurn(
    book,
    // The fields go one by one; what tells the records apart must not name what has gone.
    (now) => setKeys(tableOf(now, from), from, { key: [], knownBy: [] }),
    ...source.fields.map((field) => (now: Book): Step[] => {
      const target = tableOf(now, into)
      if (staysBehind(source, target, field)) return forget(now, from, field, twinOf(target, field)?.id)
      const unlike: Field = { ...field, name: freeName(field.name, target.fields) }
      return moveField(now, source, field, into, unlike.name)
    }),
  )
}

/** A field that goes; the needs it met are met by its twin, where it has one. */
function forget(book: Book, table: string, field: Field, twin: string | undefined): Step[] {
  return inTurn(
    book,
    (now) => dropLimitsOn(now, field.id),
    (now) =>
      twin
        ? now.needs.flatMap((need) =>
            need.metBy.includes(field.id)
              ? setKeys(need, need.id, { metBy: [...new Set(need.metBy.map((id) => (id === field.id ? twin : id)))] })
              : [],
          )
        : untick(now, new Set([field.id])),
    (now) => [dropPart(now, 'fields', field.id, table)],
  )
}

/** Lists and documents of the table that goes are the other's; what they ask of it has come along, or is missed in words. */
const keptFollow = (book: Book, from: string, into: string): Step[] =>
  [...book.lists, ...book.templates]
    .filter(({ table }) => table === from)
    .flatMap((part) => setKeys(part, part.id, { table: into }))

const needsFollow = (book: Book, from: string, into: string): Step[] =>
  book.needs.flatMap((need) =>
    need.metBy.includes(from)
      ? setKeys(need, need.id, { metBy: [...new Set(need.metBy.map((id) => (id === from ? into : id)))] })
      : [],
  )
