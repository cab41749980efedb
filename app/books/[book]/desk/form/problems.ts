import type { FieldErrors, Resolver } from 'react-hook-form'
import type { Book } from '@/core/book'
import type { Now } from '@/core/kinds'
import { type Around, checkForm, type FormText, type Problems } from '@/core/records'
import { wordProblem } from '@/core/words'

/** Lets the form library ask core what is wrong; the words come from there too. */
export const formResolver =
  (book: Book, tableId: string, now: Now, around: Around): Resolver<FormText> =>
  (text) => {
    const checked = checkForm(book, tableId, text, now, around)
    if (checked.sound) return { values: text, errors: {} }
    const worded = (problems: Problems) =>
      Object.fromEntries(
        Object.entries(problems).map(([id, problem]) => [id, { type: problem.kind, message: wordProblem(problem) }]),
      )
    const insets = Object.fromEntries(
      Object.entries(checked.rows).map(([link, rows]) => [
        link,
        rows.map((row) => (Object.keys(row.problems).length > 0 ? { text: worded(row.problems) } : undefined)),
      ]),
    )
    const wrongInsets = Object.fromEntries(Object.entries(insets).filter(([, rows]) => rows.some(Boolean)))
    const errors = {
      text: worded(checked.problems),
      ...(Object.keys(wrongInsets).length > 0 && { insets: wrongInsets }),
    }
    return { values: {}, errors: errors as unknown as FieldErrors<FormText> }
  }

/** The messages of everything that is wrong, in the order of the form. */
export function problemPaths(errors: FieldErrors<FormText>): string[] {
  const found: string[] = []
  const walk = (part: unknown) => {
    if (typeof part !== 'object' || part === null) return
    if ('message' in part && typeof part.message === 'string') found.push(part.message)
    else Object.values(part).forEach(walk)
  }
  walk({ text: errors.text, insets: errors.insets })
  return found
}

/** Puts the focus on the first box that is marked wrong, once the marks are drawn. */
export function focusFirst(frame: HTMLElement | null): void {
  setTimeout(() => frame?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus())
}
