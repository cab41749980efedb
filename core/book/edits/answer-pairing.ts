import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import type { Book, Field, Link, Table } from '../book'
import { limits } from '../limits'
import { dropPart, putField, putLink, putTable, setKeys } from '../build-steps'
import { findLink, findNeed, findTable, linksFrom } from '../find'
import type { Step } from '../steps'
import { type EditKind, freeName, Id, inTurn, keepingKeys, readName, typedName } from './edit-kind'
import { untieSteps } from './untie'

const AnswerPairing = z.strictObject({
  kind: z.literal('answerPairing'),
  a: Id,
  b: Id,
  /** Can one a have more than one b? */
  aHasSeveral: z.boolean(),
  bHasSeveral: z.boolean(),
  /** Must each a have at least one b? */
  aMust: z.boolean(),
  bMust: z.boolean(),
  /** The name of the link field, or of the joining table. Derived where it is left out. */
  name: typedName.optional(),
  /** New ids: for a joining table, and for two links and two fields. */
  ids: z.strictObject({ table: Id, links: z.tuple([Id, Id]), fields: z.tuple([Id, Id]) }),
  /** The link or the joining table that this answer replaces. */
  instead: Id.optional(),
})
export type AnswerPairing = z.infer<typeof AnswerPairing>

/**
 * Turns the answers for a pair of tables into links. One-to-many puts a link field on the many side;
 * many-to-many makes a joining table keyed by the pair; one-to-one is a link that no two may share.
 */
export const answerPairing: EditKind<AnswerPairing> = {
  schema: AnswerPairing,
  steps(book, given) {
    const answer = withOwnName(book, given)
    if (!findTable(book, answer.a) || !findTable(book, answer.b)) return fail({ kind: 'gone', what: 'table' })
    const untie = answer.instead ? untieSteps(book, answer.instead) : ok<Step[]>([])
    if (!untie.ok) return untie
    const cleared = inTurn(
      book,
      () => untie.value,
      (now) => now.pairs.filter((pair) => samePair(pair, answer)).map((pair) => dropPart(now, 'pairs', pair.id)),
    )
    let refused: Result<never> | undefined
    const steps = inTurn(
      book,
      () => cleared,
      (now) => {
        const tied = answer.aHasSeveral && answer.bHasSeveral ? joinSteps(now, answer) : linkSteps(now, answer)
        if (!tied.ok) refused = tied
        return tied.ok ? tied.value : []
      },
      (now) => (refused ? [] : stillMet(book, now, answer)),
    )
    return refused ?? keepingKeys(book, steps)
  },
  say(book, { a, b, aHasSeveral, bHasSeveral }) {
    const [first, second] = [findTable(book, a)?.name ?? '', findTable(book, b)?.name ?? '']
    if (aHasSeveral && bHasSeveral) return `Link ${first} and ${second}, many to many`
    if (!aHasSeveral && !bHasSeveral) return `Link ${first} and ${second}, one to one`
    return aHasSeveral ? `Link each ${second} to one ${first}` : `Link each ${first} to one ${second}`
  },
}

/** A name that only told of the way the link went before is none that somebody chose. */
function withOwnName(book: Book, answer: AnswerPairing): AnswerPairing {
  const link = answer.instead ? findLink(book, answer.instead) : undefined
  const joining = answer.instead ? findTable(book, answer.instead) : undefined
  const [a, b] = [findTable(book, answer.a)?.name ?? '', findTable(book, answer.b)?.name ?? '']
  const derived = link
    ? [findTable(book, link.one)?.name ?? '']
    : joining
      ? [`${a} ${b.toLowerCase()}`, `${b} ${a.toLowerCase()}`]
      : []
  const isSame = (name: string) => name.toLowerCase() === answer.name?.trim().toLowerCase()
  if (!derived.some(isSame)) return answer
  const { name: _derived, ...rest } = answer
  return rest
}

/** Needs that the tie met which this one replaces are met by this one. */
function stillMet(before: Book, now: Book, { instead, aHasSeveral, bHasSeveral, ids }: AnswerPairing): Step[] {
  if (!instead) return []
  const link = findLink(before, instead)
  const joining = findTable(before, instead)
  const gone = new Set([
    instead,
    ...(link ? [link.field] : []),
    ...(joining ? linksFrom(before, joining.id).flatMap((one) => [one.id, one.field]) : []),
  ])
  const fresh = aHasSeveral && bHasSeveral ? ids.table : ids.links[0]
  return before.needs.flatMap(({ id, metBy }) => {
    const need = findNeed(now, id)
    return need && metBy.some((part) => gone.has(part)) && !need.metBy.includes(fresh)
      ? setKeys(need, need.id, { metBy: [...need.metBy, fresh] })
      : []
  })
}

export const samePair = (pair: { a: string; b: string }, { a, b }: { a: string; b: string }) =>
  (pair.a === a && pair.b === b) || (pair.a === b && pair.b === a)

/** Which side carries the link field: the many side, or for one-to-one the side that can't do without. */
function sidesOf(answer: AnswerPairing) {
  const { a, b, aHasSeveral, bHasSeveral, aMust, bMust } = answer
  const bCarries = aHasSeveral || (!bHasSeveral && (bMust || !aMust))
  return bCarries ? { one: a, many: b, must: bMust, least: aMust } : { one: b, many: a, must: aMust, least: bMust }
}

function linkSteps(book: Book, answer: AnswerPairing): Result<readonly Step[]> {
  const { one, many, must, least } = sidesOf(answer)
  const [target, carrier] = [findTable(book, one), findTable(book, many)]
  // The tie that this answer replaces may have been one of the two itself.
  if (!target || !carrier) return fail({ kind: 'gone', what: 'table' })
  const room = roomFor(book, [target], [carrier])
  if (!room.ok) return room
  // A second tie, or one from a table to itself, would share the target's name: say what it means instead.
  const taken = [...carrier.fields, ...(one === many ? [carrier] : [])]
  const name = answer.name?.trim()
    ? readName(answer.name, 'field', carrier.fields, carrier.name)
    : ok(freeName(target.name, taken))
  if (!name.ok) return name
  const oneToOne = !answer.aHasSeveral && !answer.bHasSeveral
  const field: Field = {
    id: answer.ids.fields[0],
    name: name.value,
    kind: 'link',
    ...(must && { must }),
    ...(oneToOne && { unique: true }),
  }
  const link: Link = { id: answer.ids.links[0], one, many, field: field.id, least: least ? 1 : 0, onRemove: 'keep' }
  return ok([putField(many, field, afterKey(carrier)), putLink(link)])
}

/** Link fields stand right behind the key, where people look for them; behind other links already there. */
function afterKey(table: Table): string | null {
  let last = -1
  table.fields.forEach((field, at) => {
    if (table.key.includes(field.id) || (field.kind === 'link' && at === last + 1)) last = at
  })
  return table.fields[last + 1]?.id ?? null
}

function joinSteps(book: Book, answer: AnswerPairing): Result<readonly Step[]> {
  const [a, b] = [findTable(book, answer.a), findTable(book, answer.b)]
  if (!a || !b) return fail({ kind: 'gone', what: 'table' })
  const room = roomFor(book, [a, b], [])
  if (!room.ok) return room
  const name = answer.name?.trim()
    ? readName(answer.name, 'table', book.tables)
    : ok(freeName(`${a.name} ${b.name.toLowerCase()}`, book.tables))
  if (!name.ok) return name
  const [first, second] = answer.ids.fields
  const secondName = freeName(b.name, [{ name: a.name }])
  const table: Table = {
    id: answer.ids.table,
    name: name.value,
    role: 'joining',
    fields: [
      { id: first, name: a.name, kind: 'link', must: true },
      { id: second, name: secondName, kind: 'link', must: true },
    ],
    key: [first, second],
    knownBy: [first, second],
  }
  const ends: [Table, string, string, boolean][] = [
    [a, answer.ids.links[0], first, answer.aMust],
    [b, answer.ids.links[1], second, answer.bMust],
  ]
  return ok([
    putTable(table),
    ...ends.map(([end, id, field, must]) =>
      // A joining row means nothing without its ends: on removal of the first it goes, of the second it holds.
      putLink({ id, one: end.id, many: table.id, field, least: must ? 1 : 0, onRemove: end === a ? 'remove' : 'keep' }),
    ),
  ])
}

function roomFor(book: Book, targets: readonly Table[], carriers: readonly Table[]): Result<null> {
  const bare = targets.find((table) => table.key.length === 0)
  if (bare) return fail({ kind: 'link-needs-key', table: bare.name })
  if (book.links.length >= limits.links) return fail({ kind: 'too-many', what: 'link', limit: limits.links })
  const full = carriers.find((table) => table.fields.length >= limits.fieldsPerTable)
  return full ? fail({ kind: 'too-many', what: 'field', limit: limits.fieldsPerTable }) : ok(null)
}
