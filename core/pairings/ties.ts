import {
  type Book,
  fieldOf,
  joinedBy,
  joiningBetween,
  linksBetween,
  linksFrom,
  mustHold,
  type Table,
  tableOf,
} from '../book'
import { type FootEnd, footEnd } from './crows-foot'

/** The answers to a pair's questions: how many of the other one record has, and whether it must have one. */
export interface Answers {
  readonly aHasSeveral: boolean
  readonly bHasSeveral: boolean
  readonly aMust: boolean
  readonly bMust: boolean
}

/** One tie between two tables as it stands. */
export interface Tie {
  /** The link, or the joining table. */
  readonly id: string
  readonly name: string
  readonly joining?: Table
  readonly answers: Answers
}

export type PairState =
  { readonly kind: 'tied'; readonly ties: readonly Tie[] } | { readonly kind: 'none' } | { readonly kind: 'ask' }

/** The tables that are paired with each other: joining tables are what comes of it, word lists are words. */
export const pairedTables = (book: Book) => book.tables.filter((table) => table.role === undefined)

function tiesBetween(book: Book, a: string, b: string): Tie[] {
  const direct = linksBetween(book, a, b).map((link): Tie => {
    const carrier = tableOf(book, link.many)
    const field = fieldOf(carrier, link.field)
    const several = field.unique !== true
    const must = mustHold(carrier, field)
    const aIsOne = link.one === a
    return {
      id: link.id,
      name: field.name,
      answers: {
        aHasSeveral: aIsOne && several,
        bHasSeveral: !aIsOne && several,
        aMust: aIsOne ? link.least === 1 : must,
        bMust: aIsOne ? must : link.least === 1,
      },
    }
  })
  const joined = joiningBetween(book, a, b).map((table): Tie => {
    const links = linksFrom(book, table.id).filter((link) => table.key.includes(link.field))
    const least = (end: string) => links.find((link) => link.one === end)?.least === 1
    return {
      id: table.id,
      name: table.name,
      joining: table,
      answers: { aHasSeveral: true, bHasSeveral: true, aMust: least(a), bMust: least(b) },
    }
  })
  return [...direct, ...joined]
}

export function pairState(book: Book, a: string, b: string): PairState {
  const ties = tiesBetween(book, a, b)
  if (ties.length > 0) return { kind: 'tied', ties }
  const answered =
    a === b || book.pairs.some((pair) => (pair.a === a && pair.b === b) || (pair.a === b && pair.b === a))
  return { kind: answered ? 'none' : 'ask' }
}

/** The ends of the line drawn for some answers: how many a's a b has stands at a's end. */
export const feetFor = ({ aHasSeveral, bHasSeveral, aMust, bMust }: Answers): { atA: FootEnd; atB: FootEnd } => ({
  atA: footEnd(bHasSeveral, bMust),
  atB: footEnd(aHasSeveral, aMust),
})

/** All pairs in the order of the half-matrix, row by row. */
export function allPairs(book: Book): { readonly a: Table; readonly b: Table }[] {
  const tables = pairedTables(book)
  return tables.flatMap((b, row) => tables.slice(0, row).map((a) => ({ a, b })))
}

/**
 * The pairs nobody has answered, those of tables with nothing to hang on first. All at once, because a large book
 * has tens of thousands of pairs: the same as asking `pairState` of each.
 */
export function openPairs(book: Book): { readonly a: Table; readonly b: Table }[] {
  const tied = new Set(book.links.flatMap((link) => [link.one, link.many]))
  const loose = ({ a, b }: { a: Table; b: Table }) => Number(!tied.has(a.id)) + Number(!tied.has(b.id))
  const answered = new Set([
    ...book.links.map(({ one, many }) => pairOf(one, many)),
    ...book.tables.flatMap((table) => {
      const ends = joinedBy(book, table)
      return ends ? [pairOf(...ends)] : []
    }),
    ...book.pairs.map(({ a, b }) => pairOf(a, b)),
  ])
  const open = allPairs(book).filter(({ a, b }) => !answered.has(pairOf(a.id, b.id)))
  return [2, 1, 0].flatMap((ends) => open.filter((pair) => loose(pair) === ends))
}

const pairOf = (a: string, b: string) => (a < b ? `${a} ${b}` : `${b} ${a}`)
