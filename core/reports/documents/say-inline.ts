import type { Book, Field, Inline, Writing } from '../../book'
import { displayOf } from '../../expressions'
import { type Look, kindOf, monthNames } from '../../kinds'
import { type Cell, inWords, isTogether, type ReadColumn } from '../../lists'
import { counted, inSentence, numberInWords } from '../../words'
import type { Filled, Said } from './filled'

const isDay = (kind: string) => kind === 'date' || kind === 'dateTime'
const isNumber = (kind: string) => ['whole', 'exact', 'money', 'measured'].includes(kind)

/** How a value can be written, besides as everywhere. */
export function writingsFor(book: Book, { face, kind }: Pick<ReadColumn, 'face' | 'kind'>): readonly Writing[] {
  if (kind === 'several') return []
  const { kind: own } = displayOf(book, face)
  if (isDay(own)) return ['long', 'weekday']
  if (own === 'whole') return ['words', 'counted']
  if (isNumber(own)) return ['words']
  return ['line', 'choice', 'code'].includes(own) ? ['capitals'] : []
}

const weekdays = new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' })

/** "12 March 2027", "Friday 12 March 2027"; with its time where it has one. */
function longDay(value: string, withWeekday: boolean): string {
  const [day = '', time] = value.split('T')
  const [year = 1970, month = 1, date = 1] = day.split('-').map(Number)
  const said = `${date} ${monthNames[month - 1] ?? ''} ${year}`
  const weekday = weekdays.format(new Date(`${day}T00:00Z`))
  return `${withWeekday ? `${weekday} ` : ''}${said}${time ? `, ${time.slice(0, 5)}` : ''}`
}

/** "£62.00", "62.00 Kr"; in a sentence an amount says what it is of. */
function amount(shown: string, { currency }: Look): string {
  if (/\p{L}/u.test(currency)) return `${shown} ${currency}`
  return shown.startsWith('-') ? `−${currency}${shown.slice(1)}` : currency + shown
}

type How = Pick<Extract<Inline, { kind: 'field' }>, 'as' | 'noun'>

/** A value as it stands in a sentence. */
function sayOne(book: Book, face: Field, heading: string, cell: Cell, how: How): string {
  if (cell === null) return ''
  if (typeof cell === 'object') return cell.label
  const display = displayOf(book, face)
  const shown = kindOf(display.kind).show(cell, display, book.look)
  if (isDay(display.kind))
    return how.as === 'long' || how.as === 'weekday' ? longDay(cell, how.as === 'weekday') : shown
  if (isNumber(display.kind)) return sayNumber(book, display, heading, { cell, shown }, how)
  return how.as === 'capitals' ? shown.toLocaleUpperCase('en-GB') : shown
}

interface Shown {
  readonly cell: string
  readonly shown: string
}

/** A number with what it is of: of money, or in its unit. */
function sayNumber(
  book: Book,
  { kind, unit }: Field,
  heading: string,
  { cell, shown }: Shown,
  { as, noun }: How,
): string {
  if (as === 'words') return numberInWords(cell, kind === 'money' ? book.look.currency : undefined)
  if (as === 'counted' && kind === 'whole') return counted(Number(cell), noun ?? inSentence(heading))
  if (kind === 'money') return amount(shown, book.look)
  return unit ? `${shown} ${unit}` : shown
}

/** What a column of the record has, in words. */
export function sayColumn(book: Book, column: ReadColumn, { cells }: Pick<Filled, 'cells'>, how: How = {}): string {
  const cell = cells[column.id] ?? null
  if (isTogether(cell)) return inWords(book, column, cell)
  return sayOne(book, column.face, column.heading, cell, how)
}

/** What a column has as a machine reads it: numbers and days plain, without what they are of. */
export function plainColumn(book: Book, column: ReadColumn, { cells }: Pick<Filled, 'cells'>): string {
  const cell = cells[column.id] ?? null
  const { kind } = displayOf(book, column.face)
  return typeof cell === 'string' && (isNumber(kind) || isDay(kind)) ? cell : inWords(book, column, cell)
}

/** A part of a line, in words; nothing where the record has none. */
export function sayInline(
  book: Book,
  columns: ReadonlyMap<string, ReadColumn>,
  filled: Filled,
  said: Said,
  part: Inline,
): string {
  switch (part.kind) {
    case 'text':
      return part.words
    case 'turn':
      return '\n'
    case 'said':
      if (part.what !== 'today') return said[part.what] ?? '…'
      return longDay(said.today, part.as === 'weekday')
    case 'field': {
      const column = columns.get(part.column)
      return (column && sayColumn(book, column, filled, part)) || (part.none ?? '')
    }
  }
}
