import { type Book, findTable, type List, limits, type Report } from '../book'
import { displayOf } from '../expressions'
import { kindOf } from '../kinds'
import { nameOf, type ReadColumn, type ReadList } from '../lists'
import { nth } from '../words'
import type { PaperColumn } from './table'

/** The columns of a list that a report shows, by their places in it, in their order on paper. */
export const shownIn = (
  read: Pick<ReadList, 'columns'>,
  { without = [], order = [] }: Pick<Report, 'without' | 'order'>,
): number[] => {
  const shown = read.columns.flatMap(({ id }, at) => (without.includes(id) ? [] : [at]))
  const rank = (place: number) => {
    const at = order.indexOf(nth(read.columns, place).id)
    return at < 0 ? order.length : at
  }
  // A report of nothing would be none.
  return shown.length > 0 ? shown.sort((a, b) => rank(a) - rank(b) || a - b) : [0]
}

/** A column of a list on paper: numbers to the right, numbers, days and times never broken. */
function paperColumn(book: Book, column: ReadColumn): PaperColumn {
  const face = displayOf(book, column.face)
  const { align, control } = kindOf(face.kind)
  const isNumber = align === 'end' && column.kind !== 'several'
  const isWhole = isNumber || (column.kind !== 'several' && ['date', 'time', 'tick'].includes(control))
  const isDay = column.kind !== 'several' && control.startsWith('date') && book.look.dateStyle === 'day-month-year'
  return { id: column.id, heading: column.heading, align: isNumber ? 'end' : isDay ? 'day' : 'start', whole: isWhole }
}

/**
 * Columns on paper, by their places in the list. A field of a linked record is called by its own name where no other
 * column is; whose it is stands in the rows.
 */
export function paperColumns(
  book: Book,
  { columns }: Pick<ReadList, 'columns'>,
  shown: readonly number[],
): PaperColumn[] {
  const all = shown.map((place) => paperColumn(book, nth(columns, place)))
  const short = all.map(({ heading }) => heading.split(' → ').at(-1) ?? heading)
  const isAlone = (name: string) => short.filter((one) => one.toLowerCase() === name.toLowerCase()).length === 1
  return all.map((column, at) => (isAlone(nth(short, at)) ? { ...column, heading: nth(short, at) } : column))
}

/** What a report is called: by its own name, or as its list is. */
export const reportName = (book: Book, { name }: Pick<Report, 'name'>, list: List): string => name ?? nameOf(book, list)

/** A report of a list as the program lays it out at first. */
export function startReport(book: Book, list: List, id: string): Report {
  const isWide = list.columns.length > 7
  const named = findTable(book, list.table) && nameOf(book, list).slice(0, limits.nameLength)
  return {
    id,
    list: list.id,
    ...(named && { name: named }),
    paper: { size: 'a4', margin: 18, ...(isWide && { turned: true as const }) },
    letters: isWide ? 8 : 9,
    rows: 'lines',
    room: 'usual',
  }
}
