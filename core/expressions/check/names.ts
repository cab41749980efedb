import { type Book, type Field, type Link, linkOf, linksTo, type Table, tableOf, fieldWith } from '../../book'
import type { Problem } from '../../words'
import type { NamePart } from '../text/syntax'

/** Names of one table on screen that nearly are what was typed, nearest first; three at most. */
export function nearNames(typed: string, names: readonly string[]): string[] {
  const wanted = typed.toLowerCase()
  return names
    .map((name) => ({ name, away: distance(wanted, name.toLowerCase()) }))
    .filter(
      ({ name, away }) => away <= Math.max(1, Math.floor(wanted.length / 3)) || name.toLowerCase().startsWith(wanted),
    )
    .sort((a, b) => a.away - b.away || a.name.localeCompare(b.name))
    .slice(0, 3)
    .map(({ name }) => name)
}

/** How many letters to put, take, change or swap with their neighbour (optimal string alignment). Names have at most 60. */
function distance(a: string, b: string): number {
  let [before, row] = [[] as number[], Array.from({ length: b.length + 1 }, (_, at) => at)]
  for (let i = 1; i <= Math.min(a.length, 80); i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++) {
      const change = row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1)
      const swap = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1] ? before[j - 2]! + 1 : Infinity
      next.push(Math.min(next[j - 1]! + 1, row[j]! + 1, change, swap))
    }
    ;[before, row] = [row, next]
  }
  return row[b.length]!
}

type Found<T> = T | { readonly problem: Problem }

const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase()

/** A dotted name from a table: over its links to a field. The link field by itself is a fact too. */
export function findFact(
  book: Book,
  table: Table,
  parts: readonly NamePart[],
): Found<{ over: string[]; field: Field }> {
  const over: string[] = []
  let here = table
  for (const [at, part] of parts.entries()) {
    const field = here.fields.find((candidate) => same(candidate.name, part.name))
    if (!field) return { problem: noSuchField(here, part.name) }
    if (at === parts.length - 1) return { over, field }
    if (field.kind !== 'link') return { problem: leadsNowhere(here, field) }
    over.push(field.id)
    here = tableOf(book, linkOf(book, field.id).one)
  }
  return { problem: { kind: 'name-missing' } }
}

/** What is said of a field that is no link, where the name goes on behind it. */
export const leadsNowhere = (table: Table, field: Field): Problem => ({
  kind: 'leads-nowhere',
  field: field.name,
  table: table.name,
})

/** What is said of a field that a table doesn't have, with what was nearly typed. */
export function noSuchField(table: Table, typed: string): Problem {
  const names = table.fields.map((field) => field.name)
  const near = nearNames(typed, names)
  return { kind: 'no-such-field', table: table.name, name: typed, near, all: names.length <= 8 ? names : [] }
}

type Rows = { readonly link: Link; readonly rows: Table } | { readonly problem: Problem; readonly at: NamePart }

/**
 * The rows that hang on a table by a name: those of a table that links here, `by` the link field that is named, or
 * by the one that there is.
 */
export function findRows(book: Book, table: Table, name: NamePart, by: NamePart | undefined): Rows {
  const links = linksTo(book, table.id).filter((link) => same(tableOf(book, link.many).name, name.name))
  if (links.length === 0) return { problem: noSuchRows(book, table, name.name), at: name }
  const fieldName = (link: Link) => fieldWith(book, link.field).field.name
  const [link, ...more] = by ? links.filter((one) => same(fieldName(one), by.name)) : links
  const said = { name: name.name, table: table.name, through: links.map(fieldName) }
  if (!link) return { problem: { kind: 'rows-not-by', by: by!.name, ...said }, at: by! }
  return more.length > 0
    ? { problem: { kind: 'rows-unclear', ...said }, at: name }
    : { link, rows: tableOf(book, link.many) }
}

/** What is said of rows that don't hang on a table, with those that do. */
export function noSuchRows(book: Book, table: Table, name: string): Problem {
  const all = [...new Set(linksTo(book, table.id).map((link) => tableOf(book, link.many).name))]
  return { kind: 'no-such-rows', table: table.name, name, near: nearNames(name, all), all }
}
