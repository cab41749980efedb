import { useMemo } from 'react'
import type { Form, FormLines } from '@/core/book'
import { partConditions } from '@/core/forms'
import type { Now } from '@/core/kinds'
import { formTextOf } from '@/core/records'
import { useRecords } from '../records-context'
import type { FormAsks } from './form-asks'

/** The conditions of the form that a record is typed in, and what a new record's boxes start with there. */
export function useAsks(tableId: string, lines: FormLines, arranged: Form | undefined, now: Now): FormAsks {
  const { book } = useRecords()
  const starts = arranged?.starts
  return useMemo(
    () => ({
      conditions: partConditions(book, tableId, lines),
      begun: { ...formTextOf(book, tableId, undefined, now).text, ...starts },
    }),
    [book, tableId, lines, starts, now],
  )
}
