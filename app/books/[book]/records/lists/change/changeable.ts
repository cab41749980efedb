import type { Field, Table } from '@/core/book'
import { isTyped, kindOf } from '@/core/kinds'
import type { ReadColumn } from '@/core/lists'

/** Whether a field can be changed outside its form: one that is typed, is no part of the key, and needs no room of its own. */
export const isChangeable = (table: Table, field: Field): boolean =>
  isTyped(field) &&
  !table.key.includes(field.id) &&
  !['passage', 'file', 'given', 'derived'].includes(kindOf(field.kind).control)

/** The field that a column shows of the record itself, where it can be changed there. */
export const changeableIn = (table: Table, column: ReadColumn): Field | undefined =>
  column.kind === 'field' && column.way.length === 0 && isChangeable(table, column.field) ? column.field : undefined
