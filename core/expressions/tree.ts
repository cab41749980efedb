import { type DateUnit } from '../kinds'
import type { AggregateName, BinaryOperator } from './text/syntax'
import type { Type } from './types'

/**
 * What a node of each kind holds, its parts in the order in which they were written. The type of a tree, its
 * parts and the check of a stored one all follow from this; `?` may be missing.
 *
 * - `fact`: of the record itself, or over links to other records; `field` is the last. Whether a link leads
 *   somewhere is asked of the link field itself.
 * - `cast`: to the type that the node has: another scale, text, a date. `quiet` where nobody wrote it.
 * - `aggregate`: over the rows that link here; `of` and `where` speak of such a row.
 */
export const shapes = {
  literal: { value: 'text or null' },
  fact: { over: 'texts', field: 'text' },
  not: { of: 'tree' },
  minus: { of: 'tree' },
  binary: { operator: 'operator', left: 'tree', right: 'tree' },
  shift: { of: 'tree', count: 'count', unit: 'unit' },
  days: { left: 'tree', right: 'tree' },
  in: { of: 'tree', among: 'some trees' },
  like: { of: 'tree', pattern: 'tree', escape: 'letter' },
  isNull: { of: 'tree' },
  case: { whens: 'pairs', other: 'tree?' },
  call: { name: 'text', args: 'trees' },
  cast: { of: 'tree', quiet: 'true?' },
  aggregate: { name: 'aggregate', link: 'text', of: 'tree?', where: 'tree?' },
} as const

interface Holdings {
  text: string
  'text or null': string | null
  texts: readonly string[]
  count: number
  operator: BinaryOperator
  unit: DateUnit
  aggregate: AggregateName
  /** One character, or none. */
  letter: string
  'true?': true
  tree: Tree
  'tree?': Tree
  trees: readonly Tree[]
  'some trees': readonly Tree[]
  pairs: readonly (readonly [Tree, Tree])[]
}

export type Holding = keyof Holdings
type Shapes = typeof shapes
export type TreeKind = keyof Shapes

/** What may be missing ends with a question mark. */
type Held<Shape extends Record<string, Holding>> = {
  readonly [Key in keyof Shape as Shape[Key] extends `${string}?` ? never : Key]: Holdings[Shape[Key]]
} & {
  readonly [Key in keyof Shape as Shape[Key] extends `${string}?` ? Key : never]?: Holdings[Shape[Key]]
}

/**
 * An expression with its names looked up: plain JSON that speaks of fields and links by id, so that
 * renaming breaks nothing. `type` is what it gives; numbers carry their scale in it.
 */
export type Tree = { [Kind in TreeKind]: { readonly kind: Kind; readonly type: Type } & Held<Shapes[Kind]> }[TreeKind]

/** A node of one kind. */
export type Node<Kind extends TreeKind> = Extract<Tree, { kind: Kind }>

const holdsParts: ReadonlySet<Holding> = new Set(['tree', 'tree?', 'trees', 'some trees', 'pairs'])

/** For each kind of node, what of it are parts. */
const partKeys = Object.fromEntries(
  Object.entries(shapes).map(([kind, shape]) => [
    kind,
    Object.entries(shape).flatMap(([key, holding]) => (holdsParts.has(holding) ? [key] : [])),
  ]),
) as unknown as Readonly<Record<TreeKind, readonly string[]>>

/** The parts of a node, in the order they were written. */
export const partsOf = (tree: Tree): readonly Tree[] =>
  partKeys[tree.kind].flatMap((key) => {
    const held = (tree as unknown as Readonly<Record<string, unknown>>)[key]
    return (held === undefined ? [] : Array.isArray(held) ? held.flat() : [held]) as Tree[]
  })

/** A tree and everything in it, each before its parts. */
export const nodesOf = (tree: Tree): readonly Tree[] => [tree, ...partsOf(tree).flatMap(nodesOf)]

/** The ids of fields and links that a tree reads. */
export const dependenciesOf = (tree: Tree): ReadonlySet<string> =>
  new Set(
    nodesOf(tree).flatMap((node) =>
      node.kind === 'fact' ? [...node.over, node.field] : node.kind === 'aggregate' ? [node.link] : [],
    ),
  )
