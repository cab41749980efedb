import type { FormLines, FormPart } from '../book'
import { findPart, withLines } from './place-part'

/** The form with other values in one of its parts; undefined takes one out. */
export function changePart<Part extends FormPart>(lines: FormLines, id: string, to: Partial<Part>): FormLines {
  const found = findPart(lines, id)
  if (!found) return lines
  const changed = Object.fromEntries(
    Object.entries({ ...found.part, ...to }).filter(([, value]) => value !== undefined),
  ) as FormPart
  return withLines(lines, found.group?.id, (all) =>
    all.map((line) => line.map((part) => (part.id === id ? changed : part))),
  )
}
