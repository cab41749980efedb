import type { Book, Field } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { kindOf } from '@/core/kinds'
import { inWords, isTogether, type Cell, type ReadColumn } from '@/core/lists'

/** As many letters as a cell of the standard (ECMA-376) can have. */
const mostLetters = 32_767

export type XlsxValue = string | number | boolean | Date | null

/** A value as a spreadsheet keeps it: numbers, days and ticks as such; what it could not keep exactly as text. */
export function xlsxValue(book: Book, column: Pick<ReadColumn, 'face'>, cell: Cell | readonly Cell[]): XlsxValue {
  if (cell === null || isTogether(cell) || typeof cell === 'object')
    return inWords(book, column, cell).slice(0, mostLetters) || null
  const { control } = kindOf(displayOf(book, column.face).kind)
  const kept =
    control === 'number'
      ? numberOf(cell)
      : control === 'date'
        ? dayOf(`${cell}T00:00`)
        : control === 'date-time'
          ? dayOf(cell)
          : control === 'time'
            ? timeOf(cell)
            : control === 'tick'
              ? cell === '1'
              : undefined
  return kept ?? inWords(book, column, cell).slice(0, mostLetters)
}

/** Numbers of more than 15 digits would come out rounded. */
function numberOf(text: string): number | undefined {
  const digits = text.replace(/^-?0*|\./g, '')
  return digits.length <= 15 && Number.isFinite(Number(text)) ? Number(text) : undefined
}

/** Spreadsheets count days from 1900 on, and take that year for a leap year. */
const firstDay = '1900-03-01'

function dayOf(moment: string): Date | undefined {
  if (moment < firstDay) return undefined
  const time = new Date(`${moment}Z`)
  return Number.isNaN(time.getTime()) ? undefined : time
}

function timeOf(text: string): number | undefined {
  const [hours, minutes] = text.split(':').map(Number)
  return hours === undefined || minutes === undefined ? undefined : (hours * 60 + minutes) / (24 * 60)
}

const days = { 'day-month-year': 'dd/mm/yyyy', 'month-day-year': 'mm/dd/yyyy', 'year-month-day': 'yyyy-mm-dd' } as const

/** How a spreadsheet is to show the values of a column; it writes its own marks between digits. */
export function numberFormat(book: Book, face: Field): string | undefined {
  const look = displayOf(book, face)
  const { control, columnType } = kindOf(look.kind)
  const day = days[book.look.dateStyle]
  if (control === 'date') return day
  if (control === 'date-time') return `${day} hh:mm`
  if (control === 'time') return 'hh:mm'
  if (control !== 'number') return undefined
  const type = columnType(look, book.look)
  const scale = type?.is === 'exact' ? type.scale : 0
  const digits = type?.is === 'measured' ? 'General' : scale > 0 ? `#,##0.${'0'.repeat(scale)}` : '#,##0'
  const unit = look.kind === 'money' ? '' : (look.unit ?? '').replaceAll('"', '')
  return unit && digits !== 'General' ? `${digits}" ${unit}"` : digits
}
