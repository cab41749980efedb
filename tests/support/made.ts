import { type Book, type Edit, applyEdit } from '@/core/book'
import { type Problem, wordProblem } from '@/core/words'

/** The book after some edits; an edit that is refused is a mistake of the test. */
export function made(book: Book, ...edits: readonly Edit[]): Book {
  return edits.reduce((current, edit) => {
    const next = applyEdit(current, edit)
    if (!next.ok) throw new Error(`${JSON.stringify(edit)}: ${wordProblem(next.problem)}`)
    return next.value.book
  }, book)
}

/** Why an edit is refused; undefined where it isn't. */
export function refusalOf(book: Book, edit: Edit): Problem['kind'] | undefined {
  const next = applyEdit(book, edit)
  return next.ok ? undefined : next.problem.kind
}
