import type { Book, Field } from '../../book'
import { derivedOf, displayOf, type Tree, typeOfField } from '../../expressions'
import { isDerived } from '../../kinds'

type Fact = Extract<Tree, { kind: 'fact' }>

/** A field of a record as an expression; nothing where its values can't be computed with. */
export function factTree(book: Book, field: Field): Fact | undefined {
  if (field.kind === 'link') return undefined
  // Whether there is a file can be asked, and nothing else.
  if (field.kind === 'file') return { kind: 'fact', over: [], field: field.id, type: { is: 'text' } }
  const made = isDerived(field) ? derivedOf(book, field.id) : undefined
  const type = made ? ('tree' in made ? made.tree.type : undefined) : typeOfField(displayOf(book, field), book.look)
  return type && { kind: 'fact', over: [], field: field.id, type }
}
