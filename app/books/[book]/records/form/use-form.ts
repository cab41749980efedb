'use client'

import type { Form } from '@/core/book'
import { formsFor } from '@/core/forms'
import { useKept } from '@/ui/use-kept'
import { useRecords } from '../records-context'

/** The forms of a table that somebody may use, and the one that they use: the one chosen last, or the first. */
export function useForms(tableId: string): {
  readonly forms: readonly Form[]
  readonly form: Form | undefined
  readonly choose: (id: string) => void
} {
  const { id, book, role } = useRecords()
  const [kept, keep] = useKept(`form ${id} ${tableId}`)
  const forms = formsFor(book, tableId, role)
  return { forms, form: forms.find((form) => form.id === kept) ?? forms[0], choose: keep }
}
