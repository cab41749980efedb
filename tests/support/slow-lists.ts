import {
  type Book,
  type Column,
  type Condition,
  fieldWith,
  type Group,
  type List,
  linkOf,
  linkWith,
  tableOf,
  type Way,
} from '@/core/book'
import type { Cell } from '@/core/lists'

/** A record as it is known by heart: its number, its values as they are stored, and the numbers of those it leads to. */
export interface Known {
  readonly ref: string
  readonly values: Readonly<Record<string, string | null>>
  readonly links: Readonly<Record<string, string | null>>
}
export interface SlowGroup {
  readonly count: number
  readonly figures: Readonly<Record<string, string | null>>
}
export type World = Readonly<Record<string, readonly Known[]>>

/**
 * Lists reckoned the slow and plain way: every record is looked at by itself, everything it leads to is walked to one by
 * one, and what is met twice is taken once. Nothing of the way that the program goes is used here.
 */
export class SlowLists {
  constructor(
    private readonly book: Book,
    private readonly world: World,
  ) {}

  /** The records that a way leads to, each once. */
  ends(record: Known, way: Way): Known[] {
    let here = [record]
    for (const hop of way) {
      const next = new Set<Known>()
      for (const one of here) {
        if (hop.to === 'one') {
          const target = linkOf(this.book, hop.field).one
          const found = this.world[target]!.find(({ ref }) => ref === one.links[hop.field])
          if (found) next.add(found)
        } else {
          const { many, field } = linkWith(this.book, hop.link)
          for (const row of this.world[many]!) if (row.links[field] === one.ref) next.add(row)
        }
      }
      here = [...next]
    }
    return here
  }

  private valueOf(record: Known | undefined, field: string): string | null {
    if (!record) return null
    return fieldWith(this.book, field).field.kind === 'link'
      ? (record.links[field] ?? null)
      : (record.values[field] ?? null)
  }

  holds(record: Known, condition: Condition): boolean {
    switch (condition.kind) {
      case 'all':
        return condition.of.every((one) => this.holds(record, one))
      case 'any':
        return condition.of.some((one) => this.holds(record, one))
      case 'not':
        return !this.holds(record, condition.of)
      case 'has': {
        const met = this.ends(record, condition.way).filter(
          (end) => !condition.where || this.holds(end, condition.where),
        )
        return met.length >= (condition.least ?? 0) && met.length <= (condition.most ?? Infinity)
      }
      case 'compare': {
        const value = this.valueOf(this.ends(record, condition.place.way)[0], condition.place.field)
        const others = condition.with.map((one) =>
          'value' in one
            ? one.value
            : 'place' in one
              ? this.valueOf(this.ends(record, one.place.way)[0], one.place.field)
              : null,
        )
        return compare(value, condition.how, others, this.isNumber(condition.place.field))
      }
      case 'repeats': {
        const keyOf = (one: Known) =>
          condition.places.map(({ way, field }) => this.valueOf(this.ends(one, way)[0], field))
        const key = keyOf(record)
        const table = Object.keys(this.world).find((id) => this.world[id]!.includes(record))!
        const same = this.world[table]!.filter((one) => JSON.stringify(keyOf(one)) === JSON.stringify(key))
        return key.every((part) => part !== null) && same.length > 1
      }
      default:
        throw new Error(`Not reckoned: ${condition.kind}`)
    }
  }

  private isNumber = (field: string) =>
    ['whole', 'money', 'exact', 'running'].includes(fieldWith(this.book, field).field.kind)

  /** What a column has for a record; links by what they lead to, without their words. */
  cell(record: Known, { shows }: Column): Cell | readonly Cell[] {
    if (shows.kind === 'field') return this.valueOf(this.ends(record, shows.place.way)[0], shows.place.field)
    if (shows.kind === 'several')
      return this.ends(record, shows.place.way).map((end) => this.valueOf(end, shows.place.field))
    if (shows.kind !== 'gathered') throw new Error('Not reckoned.')
    const met = this.ends(record, shows.way).filter((end) => !shows.where || this.holds(end, shows.where))
    return this.gather(met, shows.name, shows.field)
  }

  /** What a number of a record is among those of some records in their order. */
  along(list: List, records: readonly Known[], record: Known, { shows }: Column): string | null {
    if (shows.kind !== 'along') throw new Error('Expected a column that goes along with another.')
    const of = list.columns.find(({ id }) => id === shows.column)!
    const valueOf = (one: Known | undefined) => (one ? (this.cell(one, of) as string | null) : null)
    const cents = (text: string) => Math.round(Number(text) * 100)
    const total = (some: readonly Known[]) =>
      some.flatMap((one) => valueOf(one) ?? []).reduce((sum, text) => sum + cents(text), 0)
    const own = valueOf(record)
    const at = records.indexOf(record)
    const upTo = records.slice(0, at + 1)
    switch (shows.name) {
      case 'running':
        return upTo.every((one) => valueOf(one) === null) ? null : String(total(upTo) / 100)
      case 'difference': {
        const before = valueOf(records[at - 1])
        return own === null || before === null ? null : String((cents(own) - cents(before)) / 100)
      }
      case 'rank':
        return own === null
          ? null
          : String(1 + records.filter((one) => (valueOf(one) ?? '') !== '' && cents(valueOf(one)!) > cents(own)).length)
      case 'share': {
        const all = total(records)
        if (own === null || all === 0) return null
        return String(tenths(cents(own) * 1000, all))
      }
    }
  }

  /** What records come to, each of them once. */
  private gather(met: readonly Known[], name: string, field: string | undefined): string | null {
    if (name === 'count') return String(met.length)
    const values = met.flatMap((end) => this.valueOf(end, field!) ?? [])
    if (name === 'different') return String(new Set(values).size)
    if (values.length === 0) return null
    if (name === 'least' || name === 'greatest') {
      const sorted = [...values].sort(order(this.isNumber(field!)))
      return sorted.at(name === 'least' ? 0 : -1)!
    }
    // Whole hundredths, so that no sum is off by a hair.
    const isWhole = ['whole', 'running'].includes(fieldWith(this.book, field!).field.kind)
    const cents = values.reduce((sum, value) => sum + Math.round(Number(value) * 100), 0)
    if (name === 'total') return isWhole ? String(cents / 100) : (cents / 100).toFixed(2)
    return halfUp(cents, values.length)
  }

  /** What a record is put together by. */
  private groupOf(record: Known, { place, step }: Group): string | null {
    const value = this.valueOf(this.ends(record, place.way)[0], place.field)
    return value === null || step === undefined ? value : stepOf(value, step)
  }

  /** The groups of some records by some of what a list is grouped by, and what all that they lead to comes to. */
  groups(list: List, records: readonly Known[], by: readonly number[]): Map<string, SlowGroup> {
    const found = new Map<string, Known[]>()
    for (const record of records) {
      const key = JSON.stringify(by.map((at) => this.groupOf(record, list.groups![at]!)))
      found.set(key, [...(found.get(key) ?? []), record])
    }
    if (by.length === 0 && found.size === 0) found.set('[]', [])
    return new Map([...found].map(([key, met]) => [key, { count: met.length, figures: this.figures(list, met) }]))
  }

  private figures(list: List, records: readonly Known[]): Record<string, string | null> {
    return Object.fromEntries(
      (list.figures ?? []).map(({ column, name }) => {
        const { shows } = list.columns.find(({ id }) => id === column)!
        if (shows.kind === 'calculated' || shows.kind === 'along') throw new Error('Not reckoned.')
        const way = shows.kind === 'gathered' ? shows.way : shows.place.way
        const where = shows.kind === 'gathered' ? shows.where : undefined
        const ends = new Set(records.flatMap((record) => this.ends(record, way)))
        const met = [...ends].filter((end) => !where || this.holds(end, where))
        return shows.kind === 'gathered'
          ? [column, this.gather(met, shows.name, shows.field)]
          : [column, this.gather(met, name!, shows.place.field)]
      }),
    )
  }

  /** The records that a list shows, where only the first of them are asked for. */
  shown(list: List): Known[] {
    return this.records(list).slice(0, list.first ?? Infinity)
  }

  /** The records of a list that are of one group. */
  within(list: List, records: readonly Known[], path: readonly (string | null)[]): Known[] {
    return records.filter((record) => path.every((key, at) => this.groupOf(record, list.groups![at]!) === key))
  }

  /** The records of a list in its order. */
  records(list: List): Known[] {
    const keys = tableOf(this.book, list.table).key.length
    const found = this.world[list.table]!.filter((record) => !list.where || this.holds(record, list.where))
    const down = list.order[0]?.down ?? false
    return [...found].sort((a, b) => {
      for (const one of list.order) {
        const column = list.columns.find(({ id }) => id === one.column)!
        const [left, right] = [this.cell(a, column), this.cell(b, column)] as [string | null, string | null]
        if (left === right) continue
        if (left === null || right === null) {
          const first = one.blanks ? one.blanks === 'first' : !one.down
          return (left === null) === first ? -1 : 1
        }
        const [x, y] = one.natural && !this.isNumeric(column) ? [left, right].map(padded) : [left, right]
        const by = order(this.isNumeric(column))(x!, y!)
        if (by !== 0) return one.down ? -by : by
      }
      const [x, y] = [a.ref.split('~').map(Number), b.ref.split('~').map(Number)]
      for (let at = 0; at < keys; at++) if (x[at] !== y[at]) return (x[at]! - y[at]!) * (down ? -1 : 1)
      return 0
    })
  }

  private isNumeric({ shows }: Column): boolean {
    if (shows.kind === 'gathered') return !['least', 'greatest'].includes(shows.name) || this.isNumber(shows.field!)
    return shows.kind === 'field' && this.isNumber(shows.place.field)
  }
}

/** The first day of a stretch of the calendar, the first letter, the least number of so many: told in the plainest way. */
function stepOf(value: string, step: NonNullable<Group['step']>): string {
  if (typeof step === 'object') {
    const [cents, every] = [Math.round(Number(value) * 100), Math.round(Number(step.every) * 100)]
    return String((Math.floor(cents / every) * every) / 100)
  }
  const day = new Date(`${value.slice(0, 10)}T00:00Z`)
  switch (step) {
    case 'letter':
      return value.charAt(0).toUpperCase()
    case 'day':
      return value.slice(0, 10)
    case 'month':
      return `${value.slice(0, 7)}-01`
    case 'year':
      return `${value.slice(0, 4)}-01-01`
    case 'quarter':
      day.setUTCDate(1)
      while (day.getUTCMonth() % 3 !== 0) day.setUTCMonth(day.getUTCMonth() - 1)
      return day.toISOString().slice(0, 10)
    case 'week':
      while (day.getUTCDay() !== 1) day.setUTCDate(day.getUTCDate() - 1)
      return day.toISOString().slice(0, 10)
  }
}

const order = (number: boolean) => (a: string, b: string) =>
  number ? Number(a) - Number(b) : a < b ? -1 : a > b ? 1 : 0

/** Numbers within a text put so that letters alone tell which is more. */
const padded = (text: string) => text.replace(/\d+/g, (number) => number.padStart(12, '0'))

/** A part of a whole in tenths, rounded to the nearest, halves away from nought. */
function tenths(part: number, whole: number): number {
  const size = Math.floor((Math.abs(part) * 2 + Math.abs(whole)) / (2 * Math.abs(whole)))
  return (part < 0 !== whole < 0 ? -size : size) / 10
}

/** Hundredths shared out and rounded to the nearest, halves away from nought. */
function halfUp(cents: number, count: number): string {
  const size = Math.floor((Math.abs(cents) * 2 + count) / (2 * count))
  return ((cents < 0 ? -size : size) / 100).toFixed(2)
}

function compare(value: string | null, how: string, others: readonly (string | null)[], number: boolean): boolean {
  if (how === 'blank') return value === null
  if (how === 'filled') return value !== null
  const is = (other: string | null) => value !== null && other !== null && order(number)(value, other) === 0
  if (how === 'isNot') return !is(others[0] ?? null)
  const [first, second] = others
  if (value === null || first === null || first === undefined) return false
  const by = order(number)(value, first)
  switch (how) {
    case 'is':
      return by === 0
    case 'oneOf':
      return others.some(is)
    case 'more':
      return by > 0
    case 'atLeast':
      return by >= 0
    case 'less':
      return by < 0
    case 'atMost':
      return by <= 0
    case 'between':
      return by >= 0 && order(number)(value, second!) <= 0
    case 'contains':
      return value.includes(first)
    case 'begins':
      return value.startsWith(first)
    case 'looks':
      return new RegExp(`^${first.replaceAll('*', '.*').replaceAll('?', '.')}$`, 's').test(value)
    case 'ends':
      return value.endsWith(first)
    default:
      throw new Error(how)
  }
}
