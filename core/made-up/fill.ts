import {
  type Book,
  type Field,
  isUnique,
  type Limit,
  type Link,
  linkOf,
  linksFrom,
  linksTo,
  mustHold,
  type Table,
} from '../book'
import { isTyped, kindOf, plainLook, readValue, type Value } from '../kinds'
import { whatCounts } from '../pairings'
import type { Values } from '../records'
import { ownRules } from '../rules'
import { brokenRules } from '../rules'
import { brokenOverLinks, type MadeSoFar } from './linked-rules'
import { counted, inSentence, plural, wordProblem } from '../words'

/** A throw of dice: a whole number from nought to below `sides`. Seeded from outside, so that the same book fills the same. */
export type Dice = (sides: number) => number

/** Makes up a value as its field would hold it (canonical); what doesn't hold is thrown away. */
export type MakeUp = (table: Table, field: Field) => Value

export interface Filled {
  readonly rows: readonly Values[]
  /** Why there are fewer than wished, in words; nothing where there are as many. */
  readonly short?: string
}

const tries = 300

/**
 * Made-up records of one table that keep every rule of the book: kinds, bounds, musts, no two alike, keys,
 * limits. `refs` are the references of records that are there already, by table; tables that have
 * none yet are left out where they may be. `made` are those records, for rules over links.
 */
export function fillTable(
  book: Book,
  table: Table,
  wished: number,
  refs: ReadonlyMap<string, readonly string[]>,
  makeUp: MakeUp,
  dice: Dice,
  made: MadeSoFar = new Map(),
): Filled {
  const rows: Values[] = []
  const used = new Used(book, table)
  for (let at = 0; at < wished; at++) {
    let stopped: string | undefined
    let taken: Values | undefined
    for (let attempt = 0; attempt < tries && !taken; attempt++) {
      const row = new RowMaker(book, table, at, refs, used, makeUp, dice).make()
      const broken = 'values' in row ? brokenBy(book, table, row.values, made) : undefined
      if ('stopped' in row) stopped = row.stopped
      else if (broken) stopped = `No ${inSentence(table.name)} could be made up that keeps the rule “${broken}”`
      else if (used.take(row.values)) taken = row.values
      else
        stopped = `After ${counted(rows.length, inSentence(table.name))}, everything that was tried was there already: ${used.names} must differ.`
    }
    if (!taken) return { rows, ...(stopped && { short: stopped }) }
    rows.push(taken)
  }
  return { rows }
}

function brokenBy(book: Book, table: Table, values: Values, made: MadeSoFar): string | undefined {
  const [own] = Object.values(brokenRules(book, table.id, values))
  return own ? wordProblem(own) : brokenOverLinks(book, table, values, made)
}

/** What may not come twice, and how many rows hang on each record that a link leads to. */
class Used {
  private readonly sets: { readonly fields: readonly Field[]; readonly seen: Set<string> }[]
  private readonly counts = new Map<string, number>()

  private readonly links: readonly Link[]

  constructor(book: Book, table: Table) {
    const key = table.key.map((id) => table.fields.find((field) => field.id === id)!)
    const given = key.some((field) => kindOf(field.kind).control === 'given')
    this.sets = [
      ...(given || key.length < 2 ? [] : [key]),
      ...table.fields
        .filter((field) => isUnique(table, field) && kindOf(field.kind).control !== 'given')
        .map((field) => [field]),
      ...ownRules(book, table.id).flatMap(({ compiled }) => (compiled?.kind === 'together' ? [compiled.fields] : [])),
    ].map((fields) => ({ fields, seen: new Set() }))
    this.links = linksFrom(book, table.id)
  }

  get names(): string {
    return this.sets.map(({ fields }) => fields.map((field) => field.name).join(' and ')).join(', ')
  }

  /** Takes a row in, or says that one like it is there. Text is alike whatever its capitals. */
  take(values: Values): boolean {
    const marks = this.sets.map(({ fields, seen }) => {
      const own = fields.map((field) => values[field.id] ?? null)
      return { seen, mark: own.includes(null) ? undefined : JSON.stringify(own).toLowerCase() }
    })
    if (marks.some(({ seen, mark }) => mark !== undefined && seen.has(mark))) return false
    for (const { seen, mark } of marks) if (mark !== undefined) seen.add(mark)
    for (const link of this.links)
      for (const limit of link.limits ?? []) if (counts(limit, values)) this.count(limit, values[link.field] ?? null, 1)
    return true
  }

  /** The limits of a link that one more row would break at a record. */
  full(link: Link, ref: string): Limit[] {
    return (link.limits ?? []).filter((limit) => this.count(limit, ref, 0) >= limit.most)
  }

  private count(limit: Limit, ref: Value, by: number): number {
    const key = `${limit.id} ${ref}`
    const now = (this.counts.get(key) ?? 0) + by
    if (ref !== null && by > 0) this.counts.set(key, now)
    return now
  }

  /** Whether a link's field may carry a reference once only. */
  once(field: Field): ReadonlySet<string> | undefined {
    return this.sets.find(({ fields }) => fields.length === 1 && fields[0] === field)?.seen
  }
}

const counts = ({ when }: Limit, values: Values) => !when || values[when.field] === when.is

class RowMaker {
  private readonly values: Record<string, Value> = {}

  constructor(
    private readonly book: Book,
    private readonly table: Table,
    private readonly at: number,
    private readonly refs: ReadonlyMap<string, readonly string[]>,
    private readonly used: Used,
    private readonly makeUp: MakeUp,
    private readonly dice: Dice,
  ) {}

  make(): { readonly values: Values } | { readonly stopped: string } {
    const { table } = this
    for (const field of table.fields) {
      if (field.kind === 'link' || !isTyped(field)) continue
      const value = this.plain(field)
      if (value === undefined) return { stopped: `No value could be made up for ${field.name} that keeps its rules.` }
      this.values[field.id] = value
    }
    for (const field of table.fields.filter((one) => one.kind === 'link')) {
      const link = linkOf(this.book, field.id)
      const ref = this.lead(field, link)
      if (ref === undefined) return { stopped: this.nowhere(link) }
      this.values[field.id] = ref
    }
    return { values: this.values }
  }

  /** A value that its own field takes; blank now and then where it may be. */
  private plain(field: Field): Value | undefined {
    const must = mustHold(this.table, field)
    if (!must && kindOf(field.kind).control !== 'tick' && this.dice(6) === 0) return null
    const asked = { ...field, must }
    for (let attempt = 0; attempt < tries; attempt++) {
      const value = this.makeUp(this.table, field)
      if (value === null ? !must : holds(asked, value, this.book)) return value
    }
    const specimen = kindOf(field.kind).specimen(field)
    if (specimen && holds(asked, specimen, this.book)) return specimen
    return must ? undefined : null
  }

  /** A record to lead to: each of them once before any twice, so that none is without where one must hang on it. */
  private lead(field: Field, link: Link): Value | undefined {
    const all = this.refs.get(link.one) ?? []
    const taken = this.used.once(field)
    const free = (ref: string) => !taken?.has(JSON.stringify([ref]).toLowerCase()) && this.yields(link, ref)
    const must = mustHold(this.table, field)
    if (!must && (all.length === 0 || (link.least === 0 && this.dice(5) === 0))) return null
    const start = this.at < all.length && link.least === 1 ? this.at : this.dice(Math.max(1, all.length))
    for (let step = 0; step < all.length; step++) {
      const ref = all[(start + step) % all.length]!
      if (free(ref)) return ref
    }
    return must ? undefined : null
  }

  /** Whether one more row may hang there; a condition that can be unmet is unmet for it. */
  private yields(link: Link, ref: string): boolean {
    const full = this.used.full(link, ref).filter((limit) => counts(limit, this.values))
    for (const { when } of full) {
      const field = when && this.table.fields.find((one) => one.id === when.field)
      const other = field && this.otherThan(field, when.is)
      if (!field || other === undefined) return false
      this.values[field.id] = other
    }
    return true
  }

  private otherThan(field: Field, is: string): Value | undefined {
    if (kindOf(field.kind).control === 'tick') return is === '1' ? '0' : '1'
    return field.choices?.find(({ word }) => word !== is)?.word ?? (mustHold(this.table, field) ? undefined : null)
  }

  private nowhere(link: Link): string {
    const target = this.book.tables.find((table) => table.id === link.one)!
    if ((this.refs.get(link.one) ?? []).length === 0) return `There is no ${inSentence(target.name)} to link to.`
    return `Every ${inSentence(target.name)} has as many ${plural(whatCounts(this.book, link))} as it may have.`
  }
}

// Canonical text reads in the plain style, whatever style the book shows.
const holds = (field: Field, value: string, book: Book) =>
  readValue(value, field, { ...book.look, numberStyle: plainLook.numberStyle, dateStyle: plainLook.dateStyle }).ok

/** How many records a dry run makes of a table: few of what others lead to, more of what hangs on them. */
export function wishedCount(book: Book, table: Table): number {
  if (table.role === 'word-list') return table.words?.length ?? 5
  const hangs = linksFrom(book, table.id).some(
    (link) => book.tables.find(({ id }) => id === link.one)?.role !== 'word-list',
  )
  const least = linksFrom(book, table.id).some((link) => link.least === 1)
  if (table.role === 'joining' || least) return 40
  return hangs ? 30 : linksTo(book, table.id).length > 0 ? 12 : 20
}
