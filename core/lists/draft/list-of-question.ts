import {
  type Book,
  type Column,
  type Condition,
  type Field,
  linkWith,
  type List,
  type Span,
  type Table,
  tableOf,
  type Way,
} from '../../book'
import { kindOf } from '../../kinds'
import { isTimed } from '../check/comparisons'
import { startList } from '../start-list'
import { endOf, isSeveral } from '../ways/walk'

/** A question that the needs ask of the records: its words, the table it begins with, and the links on its way. */
export interface Asked {
  readonly text: string
  readonly table: string
  readonly links: readonly string[]
}

/**
 * A list to begin with where a question is to be answered: of the table that it begins with, by the way that it takes,
 * with such conditions as its words say in plain sight (none, how many, how much, last month, a word of a choice). It
 * is a beginning: whoever asks reads the sentence and changes what it does not mean.
 */
export function listOfQuestion(book: Book, { text, table: tableId, links }: Asked, id: string): List {
  const start = startList(book, tableId, id)
  const table = tableOf(book, tableId)
  const way = wayOf(book, tableId, links)
  const end = endOf(book, tableId, way) ?? table
  const words = ` ${text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}' ]/gu, ' ')
    .replace(/\s+/g, ' ')} `
  const beside = besideIt(book, words, way, end)
  const where = conditionsIn(book, words, { table, way, end })
  return {
    ...start,
    answers: text.slice(0, 300),
    columns: [...start.columns, ...beside],
    ...(where.length > 0 && { where: { kind: 'all', of: where } }),
    ...(beside[0]?.shows.kind === 'gathered' && { order: [{ column: beside[0].id, down: true }] }),
  }
}

/** The links of a path as a way, each in the direction in which the path goes it. */
function wayOf(book: Book, tableId: string, links: readonly string[]): Way {
  let here = tableId
  return links.map((id) => {
    const link = linkWith(book, id)
    const isUp = link.many === here
    here = isUp ? link.one : link.many
    return isUp ? { to: 'one', field: link.field } : { to: 'rows', link: id }
  })
}

/** What is shown of those that the way leads to: how many or how much where that is asked, else what they are known by. */
function besideIt(book: Book, words: string, way: Way, end: Table): Column[] {
  if (way.length === 0 || hasNone(words)) return []
  const several = isSeveral(book, way)
  const amount = end.fields.find(({ kind }) => kind === 'money')
  if (several && amount && / (how much|total|sum|amount|earn(ed|s)?|takings) /.test(words))
    return [{ id: 'amount', shows: { kind: 'gathered', way, name: 'total', field: amount.id } }]
  if (several && / (how many|how often|number of|most|busiest|count) /.test(words))
    return [{ id: 'count', shows: { kind: 'gathered', way, name: 'count' } }]
  const known = end.fields.find(({ id }) => id === (end.knownBy[0] ?? end.key[0]))
  if (!known) return []
  const place = { way, field: known.id }
  return [{ id: 'beside', shows: several ? { kind: 'several', place, as: 'together' } : { kind: 'field', place } }]
}

const hasNone = (words: string) =>
  / (no|not|never|without|none|nobody|nothing|haven't|hasn't|weren't|wasn't) /.test(words)

interface From {
  readonly table: Table
  readonly way: Way
  readonly end: Table
}

function conditionsIn(book: Book, words: string, from: From): Condition[] {
  const { table, way, end } = from
  if (way.length > 0 && (isSeveral(book, way) || hasNone(words))) return ofSeveral(words, from)
  // Of a single record, what is said is said of the record itself.
  const there = way.length > 0 ? factsIn(words, end, way) : []
  const said = there.length > 0 ? there : factsIn(words, table, [])
  const of = oneOf(said)
  return of && hasNone(words) ? [{ kind: 'not', of }] : said
}

/** That there are some of which this is said, or none; nothing of it where they are only counted. */
function ofSeveral(words: string, { table, way, end }: From): Condition[] {
  const there = factsIn(words, end, [])
  const own = there.length > 0 ? [] : factsIn(words, table, [])
  const none = hasNone(words)
  if (!none && / (how many|how much|how often|number of) /.test(words)) return own
  const where = oneOf(there)
  return [{ kind: 'has', way, ...(none ? { most: 0 } : { least: 1 }), ...(where && { where }) }, ...own]
}

/** Several conditions as one. */
const oneOf = (all: readonly Condition[]): Condition | undefined =>
  all.length > 1 ? { kind: 'all', of: [...all] } : all[0]

/** What the words say of a table's own facts: a time of its first day, and words of its choices. */
function factsIn(words: string, table: Table, way: Way): Condition[] {
  const span = spanIn(words)
  const timed = table.fields.find(({ kind }) => isTimed(kind) && kindOf(kind).control !== 'time')
  const when: Condition[] = span && timed ? [{ kind: 'within', place: { way, field: timed.id }, span }] : []
  return [...when, ...table.fields.flatMap((field) => choiceIn(words, field, way))]
}

function choiceIn(words: string, { id, choices = [] }: Field, way: Way): Condition[] {
  const said = choices.find(({ word }) => words.includes(` ${word.toLowerCase()} `))
  return said ? [{ kind: 'compare', place: { way, field: id }, how: 'is', with: [{ value: said.word }] }] : []
}

const numbers = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']

/** "last month", "in the last 30 days", "for twelve months", "today". */
export function spanIn(words: string): Span | undefined {
  if (/ today /.test(words)) return { which: 'this', unit: 'day' }
  if (/ tomorrow /.test(words)) return { which: 'next', unit: 'day' }
  if (/ yesterday /.test(words)) return { which: 'last', unit: 'day' }
  const calendar = / (this|last|next) (day|week|month|quarter|year) /.exec(words)
  if (calendar) return { which: calendar[1] as Span['which'], unit: calendar[2] as Span['unit'] }
  const counted = / (?:(next|coming|last|past) )?(\d{1,3}|[a-z]+) (day|week|month|quarter|year)s /.exec(words)
  if (!counted) return undefined
  const [, which, many = '', unit] = counted
  const count = /^\d/.test(many) ? Number(many) : numbers.indexOf(many) + 1
  if (count < 1) return undefined
  return { which: which === 'next' || which === 'coming' ? 'next' : 'last', unit: unit as Span['unit'], count }
}
