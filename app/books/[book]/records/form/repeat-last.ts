import type { UseFormReturn } from 'react-hook-form'
import type { FormText } from '@/core/records'

const placeOf = (table: string) => `hearth-last-${table}`

/** Remembers the record saved last in each table, for repeating its values. */
export function rememberLast(table: string, text: FormText): void {
  sessionStorage.setItem(placeOf(table), JSON.stringify({ text: text.text, labels: text.labels }))
}

/** Puts the last saved record's value into the box that has the focus. */
export function repeatValue(table: string, form: UseFormReturn<FormText>, target: EventTarget): boolean {
  const field = target instanceof HTMLElement ? target.closest('[data-field]')?.getAttribute('data-field') : undefined
  const last = sessionStorage.getItem(placeOf(table))
  if (!field || !last) return false
  const { text, labels } = JSON.parse(last) as Pick<FormText, 'text' | 'labels'>
  if (text[field] === undefined) return false
  form.setValue(`text.${field}`, text[field], { shouldDirty: true, shouldValidate: true })
  if (labels[field]) form.setValue(`labels.${field}`, labels[field])
  return true
}
