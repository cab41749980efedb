import type { Book } from '../book'
import type { Now } from '../kinds'
import type { FormText, StoredForm } from './form-text'
import { brokenInForm, type LinkedValues } from './live-values'
import { type CheckedForm, isSound, readForm } from './read-form'

/** What a form's rules may ask beyond what is typed. */
export interface FormContext {
  readonly stored?: StoredForm | undefined
  readonly linked?: LinkedValues
  /** The form as it was read already, so that it isn't read twice. */
  readonly read?: CheckedForm
  /** The rows that hang on the record aren't in the form at all. */
  readonly alone?: boolean
}

/**
 * Reads the whole form by the same code as the server and asks its rules, as far as they can be told here.
 * Rows taken out and rows nobody touched are let be.
 */
export function checkForm(
  book: Book,
  tableId: string,
  form: FormText,
  now: Now,
  around: FormContext = {},
): CheckedForm {
  const checked = around.read ?? readForm(book, tableId, form, now)
  if (book.rules.length === 0) return checked
  const { stored, linked = () => undefined, alone = false } = around
  const broken = brokenInForm({ book, tableId, form, checked, stored, linked, now, alone })
  // What can't be read says so first; a rule is asked of what can.
  const own = { ...checked, problems: { ...broken.own, ...checked.problems } }
  const rows = Object.fromEntries(
    Object.entries(checked.rows).map(([link, all]) => [
      link,
      all.map((row, at) => ({ ...row, problems: { ...broken.rows[link]?.[at], ...row.problems } })),
    ]),
  )
  return { ...own, rows, sound: isSound(own, rows) }
}
