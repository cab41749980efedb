import { type Book, findField } from '../../book'
import { quoteName } from '../../names'
import type { LiveColumn } from '../../physical'

/** Whether a column holds something; a tick that isn't set says nothing. */
export const isThere = (before: Book, column: LiveColumn, name = quoteName(column.name)) =>
  findField(before, column.field)?.field.kind === 'tick' ? `${name} = 1` : `${name} IS NOT NULL`
