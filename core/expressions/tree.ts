import type { AggregateName, BinaryOperator, IntervalUnit } from './text/syntax'
import type { Type } from './types'

/**
 * An expression with its names looked up: plain JSON that speaks of fields and links by id, so that
 * renaming breaks nothing. `type` is what it gives; numbers carry their scale in it.
 */
export type Tree = { readonly type: Type } & (
  | { readonly kind: 'literal'; readonly value: string | null }
  /** A fact: of the record itself, or over links to other records; the last is the field. */
  | { readonly kind: 'fact'; readonly over: readonly string[]; readonly field: string }
  /** Whether a link leads somewhere is asked of the link field itself. */
  | { readonly kind: 'not' | 'minus'; readonly of: Tree }
  | { readonly kind: 'binary'; readonly operator: BinaryOperator; readonly left: Tree; readonly right: Tree }
  | { readonly kind: 'shift'; readonly of: Tree; readonly count: number; readonly unit: IntervalUnit }
  | { readonly kind: 'days'; readonly left: Tree; readonly right: Tree }
  | { readonly kind: 'in'; readonly of: Tree; readonly among: readonly Tree[] }
  | { readonly kind: 'like'; readonly of: Tree; readonly pattern: Tree; readonly escape: string }
  | { readonly kind: 'isNull'; readonly of: Tree }
  | { readonly kind: 'case'; readonly whens: readonly (readonly [Tree, Tree])[]; readonly other?: Tree }
  | { readonly kind: 'call'; readonly name: string; readonly args: readonly Tree[] }
  /** To the type it has: another scale, text, a date. Quiet where nobody wrote it. */
  | { readonly kind: 'cast'; readonly of: Tree; readonly quiet?: true }
  /** Over the rows that link here; `of` and `where` speak of such a row. */
  | {
      readonly kind: 'aggregate'
      readonly name: AggregateName
      readonly link: string
      readonly of?: Tree
      readonly where?: Tree
    }
)

/** The parts of a node, in the order they were written. */
export function partsOf(tree: Tree): readonly Tree[] {
  switch (tree.kind) {
    case 'literal':
    case 'fact':
      return []
    case 'not':
    case 'minus':
    case 'shift':
    case 'isNull':
    case 'cast':
      return [tree.of]
    case 'binary':
    case 'days':
      return [tree.left, tree.right]
    case 'in':
      return [tree.of, ...tree.among]
    case 'like':
      return [tree.of, tree.pattern]
    case 'case':
      return [...tree.whens.flat(), ...(tree.other ? [tree.other] : [])]
    case 'call':
      return tree.args
    case 'aggregate':
      return [...(tree.of ? [tree.of] : []), ...(tree.where ? [tree.where] : [])]
  }
}

/** A tree and everything in it, each before its parts. */
export const nodesOf = (tree: Tree): readonly Tree[] => [tree, ...partsOf(tree).flatMap(nodesOf)]

/** The ids of fields and links that a tree reads. */
export const dependenciesOf = (tree: Tree): ReadonlySet<string> =>
  new Set(
    nodesOf(tree).flatMap((node) =>
      node.kind === 'fact' ? [...node.over, node.field] : node.kind === 'aggregate' ? [node.link] : [],
    ),
  )
