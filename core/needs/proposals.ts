import { type Book, findTable, joiningBetween, linksBetween, numberName, type Table } from '../book'
import { kindOf } from '../kinds'
import { capital, inSentence, listed, plural } from '../words'
import type { Evidence, Reading, ReadField, ReadTable, ReadTie } from './reading'

/** Something the words propose, and whether the book has it already. */
export type Proposal = {
  /** The same for the same thing, whatever else the words say: "field/visit/state". */
  readonly id: string
  /** The table whose card it stands on. */
  readonly table: string
  readonly words: string
  readonly more?: string
  /** Places of the needs it rests on, counted from nought. */
  readonly needs: readonly number[]
  readonly evidence: readonly Evidence[]
  readonly state: 'new' | 'here' | 'dismissed'
  /** The part of the book that it is, once it is there. */
  readonly part?: string
} & (
  | { readonly kind: 'table'; readonly what: ReadTable }
  | { readonly kind: 'field'; readonly what: ReadField }
  | { readonly kind: 'tie'; readonly what: ReadTie }
)

export interface Proposals {
  readonly reading: Reading
  readonly all: readonly Proposal[]
}

/** Lays what was read in a book's needs beside what the book has. */
export function proposalsFor(book: Book, read: Reading): Proposals {
  const dismissed = new Set(book.dismissed.map((one) => one.what))
  const reading = asOne(read, samesIn(dismissed))
  const stateOf = (id: string, part: string | undefined): Proposal['state'] =>
    part ? 'here' : dismissed.has(id) ? 'dismissed' : 'new'
  const all: Proposal[] = []
  for (const table of reading.tables) {
    const here = tableCalled(book, table.name)
    const id = `table/${key(table.name)}`
    all.push({
      kind: 'table',
      id,
      table: table.name,
      words: here ? `${here.name} is there` : 'new table',
      ...common(table.evidence),
      state: stateOf(id, here?.id),
      ...(here && { part: here.id }),
      what: table,
    })
    for (const field of table.fields) all.push(fieldProposal(table.name, field, here, stateOf))
  }
  for (const tie of reading.ties) all.push(...tieProposals(book, tie, stateOf))
  const open = reading.open.filter(({ text, about }) => !dismissed.has(settled(text)) && !isAnswered(book, about))
  return { reading: { ...reading, open }, all: all.filter((one) => !dismissed.has(keptOtherwise(one.id))) }
}

/** A question that the words left open, answered by the administrator; kept with what was dismissed. */
export const settled = (question: string) => `open/${question}`.slice(0, 300)

/**
 * Whether the book has decided what the words left open: a pair that is said to be apart, a table with
 * facts. A tie alone decides nothing, because accepting proposals ties what the words only hint at.
 */
function isAnswered(book: Book, about: readonly string[]): boolean {
  const [a, b] = about.map((name) => tableCalled(book, name))
  if (!a) return false
  if (about.length === 1) return a.fields.length > 1
  return (
    b !== undefined && book.pairs.some((pair) => [pair.a, pair.b].includes(a.id) && [pair.a, pair.b].includes(b.id))
  )
}

/** A proposal that was accepted under another name is not made again. */
export const keptOtherwise = (id: string) => `kept/${id}`

/** Two names that the administrator says mean one thing; kept with what was dismissed. */
export const sameWord = (from: string, into: string) => `same/${key(from)}/${key(into)}`

function samesIn(dismissed: ReadonlySet<string>): ReadonlyMap<string, string> {
  const sames = [...dismissed].flatMap((what) => {
    const [kind, from, into] = what.split('/')
    return kind === 'same' && from && into ? [[from, into] as const] : []
  })
  return new Map(sames)
}

/** A reading in which tables that mean one thing are one. */
function asOne(reading: Reading, sames: ReadonlyMap<string, string>): Reading {
  if (sames.size === 0) return reading
  const nameOf = (name: string): string => {
    const into = sames.get(key(name))
    return into ? (reading.tables.find((table) => key(table.name) === into)?.name ?? capital(into)) : name
  }
  const tables = new Map<string, ReadTable>()
  for (const table of reading.tables) {
    const name = nameOf(table.name)
    const known = tables.get(name)
    const fresh = table.fields.filter((field) => !known?.fields.some((other) => key(other.name) === key(field.name)))
    tables.set(name, {
      ...table,
      ...known,
      name,
      fields: [...(known?.fields ?? []), ...fresh],
      evidence: [...(known?.evidence ?? []), ...table.evidence],
    })
  }
  const ties = reading.ties
    .map((tie) => ({ ...tie, from: nameOf(tie.from), to: nameOf(tie.to) }))
    .filter(
      (tie, at, all) =>
        tie.from !== tie.to && all.findIndex((other) => other.from === tie.from && other.to === tie.to) === at,
    )
  return { ...reading, tables: [...tables.values()], ties }
}

const key = (name: string) => name.toLowerCase()

const common = (evidence: readonly Evidence[]) => ({
  evidence,
  needs: [...new Set(evidence.map(({ need }) => need))].sort((a, b) => a - b),
})

/** A table of the book by the name the words use for it; singular or plural. */
export function tableCalled(book: Book, name: string): Table | undefined {
  const wanted = key(name)
  return book.tables.find(
    (table) =>
      key(table.name) === wanted || key(plural(table.name)) === wanted || key(plural(name)) === key(table.name),
  )
}

const called = (table: Table, name: string) => table.fields.find((field) => key(field.name) === key(name))

const fieldCalled = (table: Table, read: ReadField) =>
  called(table, read.name) ?? (isPlainNumber(read) ? called(table, numberName(table.name)) : undefined)

/** "A plot has a number": what its records are told apart by. A number of another kind is a phone number or a count. */
export const isPlainNumber = ({ name, kind }: ReadField): boolean =>
  key(name) === 'number' && ['code', 'whole', 'running'].includes(kind)

function fieldProposal(
  tableName: string,
  field: ReadField,
  table: Table | undefined,
  stateOf: (id: string, part: string | undefined) => Proposal['state'],
): Proposal {
  const id = `field/${key(tableName)}/${key(field.name)}`
  const here = table && fieldCalled(table, field)
  return {
    kind: 'field',
    id,
    table: tableName,
    words: field.name,
    more: fieldWords(field),
    ...common(field.evidence),
    state: stateOf(id, here?.id),
    ...(here && { part: here.id }),
    what: field,
  }
}

function fieldWords({ kind, choices, unit, limit }: ReadField): string {
  const title = kindOf(kind).title.toLowerCase()
  return [
    choices ? `${title}: ${listed(choices, 'or')}` : title,
    unit,
    limit && `at most ${limit.most === 1 ? 'one' : limit.most} for each ${inSentence(limit.per)}`,
  ]
    .filter(Boolean)
    .join(' · ')
}

function tieProposals(
  book: Book,
  tie: ReadTie,
  stateOf: (id: string, part: string | undefined) => Proposal['state'],
): Proposal[] {
  const [from, to] = [tableCalled(book, tie.from), tableCalled(book, tie.to)]
  const joining = from && to && joiningBetween(book, from.id, to.id)[0]
  const link = from && to && linksBetween(book, from.id, to.id)[0]
  const part = joining?.id ?? link?.id
  const card = tie.kind === 'n-n' ? (joining?.name ?? `${tie.from} ${inSentence(tie.to)}`) : tie.to
  const id = `tie/${[key(tie.from), key(tie.to)].sort().join('/')}`
  const own: Proposal = {
    kind: 'tie',
    id,
    table: card,
    words: tieWords(tie),
    ...(tie.limit && { more: `at most ${tie.limit.most} for each ${inSentence(tie.limit.per)}` }),
    ...common(tie.evidence),
    state: stateOf(id, part),
    ...(part && { part }),
    what: tie,
  }
  return [
    own,
    ...tie.fields.map((field) =>
      fieldProposal(card, field, joining ? findTable(book, joining.id) : undefined, stateOf),
    ),
  ]
}

/** "each Visit belongs to one Premises", "ties Visit and Technician, each with many". */
function tieWords({ from, to, kind, must, least }: ReadTie): string {
  if (kind === 'n-n') return `links ${from} and ${to}, many to many`
  if (kind === '1-1') return `links ${from} and ${to}, one to one`
  return `each ${to} ${must ? 'has one' : 'may have one'} ${from}${least ? `; each ${from} has at least one ${to}` : ''}`
}
