import { mostDigits } from '../numbers'
import type { Book, Field, Table } from '../../book'
import type { ExpressionProblem, Span, Syntax } from '../text/syntax'
import type { Tree } from '../tree'
import { joined, type Type, typeWords } from '../types'

export interface Failure {
  readonly problem: ExpressionProblem
}

export type Outcome = Tree | Failure

/** What a derived field gives, or why that can't be told. */
export type TypeOfDerived = (field: Field) => { readonly type: Type } | { readonly because: string }

export interface Scope {
  readonly table: Table
  /** Within an aggregate every name begins with that of the rows. */
  readonly rows?: string
}

/** What the checks of single forms ask of the whole. */
export interface Checking {
  readonly book: Book
  readonly scope: Scope
  readonly check: (syntax: Syntax) => Outcome
  /** For what is gathered: over the rows of another table. */
  readonly within: (rows: Table) => Checking
  readonly choiceProblem: (fact: Tree, written: readonly Syntax[], others: readonly Tree[]) => Failure | undefined
}

export const isFailure = (made: Tree | Failure | { readonly type: Type }): made is Failure => 'problem' in made

export const fail = ({ start, end }: Span, words: string): Failure => ({ problem: { start, end, words } })

/** A tree brought to a type that it fits: more decimals, measured, text, a moment. */
export function castTo(tree: Tree, type: Type): Tree {
  if (tree.type.is === 'nothing') return { ...tree, type } as Tree
  const same =
    tree.type.is === type.is && (tree.type.is !== 'exact' || type.is !== 'exact' || tree.type.scale === type.scale)
  if (same) return tree
  // A number that is written out simply has more decimals.
  return tree.kind === 'literal' && type.is === 'exact'
    ? { ...tree, type }
    : { kind: 'cast', of: tree, type, quiet: true }
}

/** The type that all have in common, or which one doesn't fit. */
export function together(trees: readonly Tree[], written: readonly Span[]): { readonly type: Type } | Failure {
  let type: Type = { is: 'nothing' }
  for (const [at, tree] of trees.entries()) {
    const next = joined(type, tree.type)
    if (!next)
      return fail(
        written[at]!,
        `This is ${typeWords[tree.type.is]}, but what it stands with is ${typeWords[type.is]}.${hint(type, tree)}`,
      )
    type = next
  }
  return fits(type) ? { type } : fail(written[0]!, tooLong)
}

export const tooLong = `The number could have more than ${mostDigits} digits. ROUND or CAST its parts first.`
export const fits = (type: Type) => type.is !== 'exact' || type.whole + type.scale <= mostDigits

/** A date written as text is the commonest slip. */
export function hint(wanted: Type, found: Tree): string {
  if (found.kind !== 'literal' || found.type.is !== 'text') return ''
  if (wanted.is === 'date') return ` A date is written DATE ’${found.value ?? ''}’.`
  if (wanted.is === 'time') return ` A time is written TIME ’${found.value ?? ''}’.`
  if (wanted.is === 'moment') return ` A date with time is written TIMESTAMP ’${found.value ?? ''}’.`
  return wanted.is === 'exact' && /^-?\d/.test(found.value ?? '') ? ' A number stands without marks around it.' : ''
}
