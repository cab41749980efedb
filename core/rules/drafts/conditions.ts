import type { Book, Table } from '../../book'
import { readExpression, showExpression, storeTree, type Tree } from '../../expressions'
import { listed } from '../../words'
import { Speaker } from './reopen-draft'
import { type Condition, writeSentence } from './sentences'

/** A condition as an expression and in words, or what it still lacks. */
export const writeCondition = (book: Book, table: Table, condition: Condition) =>
  writeSentence(book, table, { kind: 'compare', ...condition })

/** Conditions that all hold, as one expression; nothing where there is none that can be written. */
export function conditionsSource(book: Book, table: Table, conditions: readonly Condition[]): string | undefined {
  const sources = conditions.flatMap((condition) => {
    const made = writeCondition(book, table, condition)
    return 'source' in made ? [made.source] : []
  })
  return sources.length > 0 ? sources.join(' AND ') : undefined
}

/** The conditions that an expression can be said in, all of which hold; none where it says something else. */
export function reopenConditions(book: Book, table: Table, tree: Tree): readonly Condition[] | undefined {
  const speaker = new Speaker(book)
  const found = joined(tree).map((part) => speaker.condition(part))
  const conditions = found.filter((one) => one !== undefined)
  if (conditions.length < found.length) return undefined
  const source = conditionsSource(book, table, conditions)
  const read = source === undefined ? undefined : readExpression(book, table, source)
  const isSame = read && 'tree' in read && JSON.stringify(storeTree(read.tree)) === JSON.stringify(storeTree(tree))
  return isSame ? conditions : undefined
}

/** What is so where an expression is: in words where it can be said in some, as it is written otherwise. */
export function sayTruth(book: Book, table: Table, tree: Tree): string {
  const states = reopenConditions(book, table, tree)?.map((condition) => {
    const made = writeCondition(book, table, condition)
    return 'state' in made ? made.state : undefined
  })
  return states?.every((state) => state !== undefined) ? listed(states) : showExpression(book, tree)
}

const joined = (tree: Tree): readonly Tree[] =>
  tree.kind === 'binary' && tree.operator === 'AND' ? [...joined(tree.left), ...joined(tree.right)] : [tree]
