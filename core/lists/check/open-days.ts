import type { Book, Span, Table } from '../../book'
import { readExpression, type Tree } from '../../expressions'
import type { Look } from '../../kinds'

const today = 'CURRENT_DATE'
/** Stands for the day that is asked about, until that is put in its place. */
const asked = '1111-11-11'
const day = `DATE '${asked}'`

/** A Monday, and how many days the first day of a week is before it. */
const monday = "DATE '2001-01-01'"
const before: Readonly<Record<Look['weekStart'], number>> = { Monday: 0, Sunday: 1, Saturday: 2 }

/** Which stretch of the calendar a day lies in, as a number that goes up by one from each to the next (ISO SQL). */
function stretchOf(of: string, unit: Span['unit'], { weekStart }: Look): string {
  const year = `EXTRACT(YEAR FROM ${of})`
  const month = `EXTRACT(MONTH FROM ${of})`
  switch (unit) {
    case 'day':
      return `(${of} - ${monday})`
    case 'week':
      return `FLOOR((${of} - ${monday} + ${before[weekStart]}) / 7)`
    case 'month':
      return `(${year} * 12 + ${month})`
    case 'quarter':
      return `(${year} * 4 + FLOOR((${month} - 1) / 3))`
    case 'year':
      return year
  }
}

/** A unit of the calendar in what intervals are counted in. */
const counted = {
  day: [1, 'DAY'],
  week: [7, 'DAY'],
  month: [1, 'MONTH'],
  quarter: [3, 'MONTH'],
  year: [1, 'YEAR'],
} as const

const steps = { this: '', last: ' - 1', next: ' + 1' } as const

function sourceOf({ which, unit, count }: Span, look: Look): string {
  if (count === undefined || which === 'this')
    return `${stretchOf(day, unit, look)} = ${stretchOf(today, unit, look)}${steps[which]}`
  const [each, units] = counted[unit]
  const far = `INTERVAL '${count * each}' ${units}`
  return which === 'last'
    ? `${day} > ${today} - ${far} AND ${day} <= ${today}`
    : `${day} >= ${today} AND ${day} < ${today} + ${far}`
}

/**
 * That a day, or a moment of it, lies in a stretch told from whatever day it is when that is asked: for a query that stands
 * by itself and is asked again another day.
 */
export function openWithin(book: Book, table: Table, of: Tree, span: Span): Tree {
  const read = readExpression(book, table, sourceOf(span, book.look))
  if (!('tree' in read)) throw new Error('Expected days that can be read.')
  const own: Tree = of.type.is === 'moment' ? { kind: 'cast', of, type: { is: 'date' } } : of
  const isAsked = (part: unknown) =>
    (part as Partial<Tree> | null)?.kind === 'literal' && (part as { value: unknown }).value === asked
  return JSON.parse(JSON.stringify(read.tree), (_key, part: unknown) => (isAsked(part) ? own : part)) as Tree
}
