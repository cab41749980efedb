import type { Book, Field } from '../book'
import { displayOf } from '../expressions'
import { kindOf, type Value } from '../kinds'

/**
 * A value for a CSV cell: numbers and days canonical, so that other programs read them; text that a
 * spreadsheet would run as a formula with an apostrophe before it.
 */
export function csvCell(book: Book, field: Field, value: Value, label?: string): string {
  if (value === null) return ''
  const face = displayOf(book, field)
  const { control, align, show } = kindOf(face.kind)
  if (align === 'end') return value
  if (control === 'date-time') return value.replace('T', ' ')
  return guardFormula(control === 'tick' ? show(value, face, book.look) : (label ?? value))
}

export const guardFormula = (text: string) => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)
