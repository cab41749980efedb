import { type Book, type Field, type Hop, linkOf, linkWith, type Table, tableOf, type Way } from '../../book'
import { isDerived } from '../../kinds'
import { dialectOf, factSql, type NamesIn } from '../../sql'
import { type Kept, keyColumns, linkPairs } from '../../physical'
import { afterHop } from '../ways/walk'

/** A table as it goes by in one query. */
export interface At {
  readonly table: Table
  readonly alias: string
}

/** The columns of the key of a record. */
export const keyAt = (names: NamesIn, { table, alias }: At): string[] =>
  keyColumns(table, names).map(({ name }) => names.column(alias, name))

/** The columns of a field of a record; several where it is a link to a key of several. */
export const fieldAtAlias = (names: NamesIn, { table, alias }: At, field: string): string[] =>
  names.columns(table.id, field).map(({ name }) => names.column(alias, name))

/** The value of a field of a record, stored or derived; not for links, which may have several columns. */
export const valueAt = (book: Book, names: NamesIn, at: At, field: Field): string =>
  isDerived(field) ? factSql(book, names, field.id, at.alias, dialectOf(names)) : fieldAtAlias(names, at, field.id)[0]!

/** A stored value as a statement writes it. */
export const storedSql = (value: string | number, names: NamesIn): string =>
  typeof value === 'number' && Number.isFinite(value) ? String(value) : dialectOf(names).quoteText(String(value))

const hopLink = (book: Book, hop: Hop) => (hop.to === 'one' ? linkOf(book, hop.field) : linkWith(book, hop.link))

/** The condition under which a hop leads from one record to another. */
function leadsTo(book: Book, names: NamesIn, hop: Hop, from: string, to: string): string {
  const [rows, record] = hop.to === 'one' ? [from, to] : [to, from]
  return linkPairs(book, names, hopLink(book, hop))
    .map(([own, key]) => `${names.column(rows, own)} = ${names.column(record, key)}`)
    .join(' AND ')
}

/** Names for the tables of one statement, no two alike. */
export class Aliases {
  private count = 0
  next = (): string => `x${++this.count}`
}

/** The tables of one query: where it begins, and the single records that are reached from there, each joined once. */
export class Reach {
  private readonly found = new Map<string, At>()
  private readonly lines: string[] = []
  private readonly kept = new Map<string, string>()

  constructor(
    readonly book: Book,
    readonly names: NamesIn,
    readonly from: At,
    readonly aliases: Aliases,
  ) {}

  /** The record that a way of single records leads to; NULL in all of its columns where there is none. */
  at(way: Way): At {
    let here = this.from
    for (const [place, hop] of way.entries()) {
      const name = JSON.stringify(way.slice(0, place + 1))
      here = this.found.get(name) ?? this.join(here, hop, name)
    }
    return here
  }

  private join(from: At, hop: Hop, name: string): At {
    const table = afterHop(this.book, from.table, hop)!
    const at = { table, alias: this.aliases.next() }
    const on = leadsTo(this.book, this.names, hop, from.alias, at.alias)
    this.lines.push(`LEFT JOIN ${this.names.quoted(table.id)} ${at.alias} ON ${on}`)
    this.found.set(name, at)
    return at
  }

  /** The row of the record where the query begins in a table of what is kept; every record has one there. */
  keptRow(kept: Kept): string {
    const known = this.kept.get(kept.name) ?? this.aliases.next()
    if (!this.kept.has(kept.name)) {
      const on = kept.keys.map(
        ({ own, of }) => `${this.names.column(known, own)} = ${this.names.column(this.from.alias, of)}`,
      )
      this.lines.push(`JOIN ${this.names.placed(kept.name)} ${known} ON ${on.join(' AND ')}`)
      this.kept.set(kept.name, known)
    }
    return known
  }

  /** Lines that were joined elsewhere, each once. */
  add(lines: readonly string[]): void {
    for (const line of lines) if (!this.lines.includes(line)) this.lines.push(line)
  }

  get joins(): string {
    return this.lines.map((line) => `\n${line}`).join('')
  }
}

/** What a way leads to from a record, as the inside of a query: its tables, and how they hang on the record. */
export function wayFrom(
  { book, names, aliases }: Pick<Reach, 'book' | 'names' | 'aliases'>,
  from: At,
  way: Way,
): { readonly tables: readonly string[]; readonly hangs: string; readonly end: At } {
  let here = from
  const tables: string[] = []
  let hangs = ''
  for (const [place, hop] of way.entries()) {
    const table = tableOf(book, afterHop(book, here.table, hop)!.id)
    const at = { table, alias: aliases.next() }
    const on = leadsTo(book, names, hop, here.alias, at.alias)
    const name = `${names.quoted(table.id)} ${at.alias}`
    if (place === 0) hangs = on
    tables.push(place === 0 ? name : `JOIN ${name} ON ${on}`)
    here = at
  }
  return { tables, hangs, end: here }
}
