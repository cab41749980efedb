import { type Book, type Edit, applyEdit } from '../book'
import { derivedInTheWay } from '../expressions'
import { wordProblem } from '../words'
import { rulesInTheWay } from './own-rules'

/**
 * What can't be said any more once an edit is made, in words: rules that go, and rules and derived fields that would
 * have to be put right before the book can be opened. Nothing where the edit can't be made.
 */
export function lostWith(book: Book, edit: Edit): string[] {
  const made = applyEdit(book, edit)
  if (!made.ok) return []
  const { book: after } = made.value
  const left = new Set(after.rules.map(({ id }) => id))
  const before = new Set([...derivedInTheWay(book), ...rulesInTheWay(book)].map(wordProblem))
  return [
    ...book.rules.filter(({ id }) => !left.has(id)).map(({ words }) => `The rule “${words}” goes.`),
    ...[...rulesInTheWay(after), ...derivedInTheWay(after)].map(wordProblem).filter((words) => !before.has(words)),
  ]
}
