import { mostDigits } from '../../kinds'
import type { Book, Field, Table } from '../../book'
import type { Problem, Slip } from '../../words'
import type { Failure, Span } from '../text/syntax'
import type { Tree } from '../tree'
import { joined, type Type } from '../types'

export type Outcome = Tree | Failure

/** What a derived field gives, or why that can't be told. */
export type TypeOfDerived = (book: Book, field: Field) => { readonly type: Type } | { readonly problem: Problem }

/** Where an expression stands: what its names are looked up in. */
export interface Scope {
  readonly book: Book
  readonly table: Table
  /** Within an aggregate every name begins with that of the rows. */
  readonly rows?: string
  readonly typeOf: TypeOfDerived
}

/** A checked part of an expression, and where it is written. */
export interface Part {
  readonly tree: Tree
  readonly at: Span
}

/** Where the parts of a stored tree are written: nowhere. */
export const nowhere: Span = { start: 0, end: 0 }

export const isFailure = (made: object): made is Failure => 'problem' in made

export const fail = ({ start, end }: Span, problem: Problem): Failure => ({ problem, at: { start, end } })

/** A part for each that was written, in the same order. */
export type PartsOf<All extends readonly unknown[]> = { readonly [At in keyof All]: Part }

/** Checks parts one after the other, up to the first that fails. */
export function eachChecked<One, const All extends readonly One[]>(
  written: All,
  check: (one: One) => Outcome,
  at: (one: One) => Span,
): PartsOf<All> | Failure {
  const parts: Part[] = []
  for (const one of written) {
    const tree = check(one)
    if (isFailure(tree)) return tree
    parts.push({ tree, at: at(one) })
  }
  return parts as unknown as PartsOf<All>
}

/** A tree brought to a type that it fits: more decimals, measured, text, a moment. */
export function castTo(tree: Tree, type: Type): Tree {
  if (tree.type.is === 'nothing') return { ...tree, type }
  const same =
    tree.type.is === type.is && (tree.type.is !== 'exact' || type.is !== 'exact' || tree.type.scale === type.scale)
  if (same) return tree
  // A number that is written out simply has more decimals.
  return tree.kind === 'literal' && type.is === 'exact'
    ? { ...tree, type }
    : { kind: 'cast', of: tree, type, quiet: true }
}

/** The type that all have in common, or which one doesn't fit. */
export function together(parts: readonly Part[]): { readonly type: Type } | Failure {
  let type: Type = { is: 'nothing' }
  for (const { tree, at } of parts) {
    const next = joined(type, tree.type)
    if (!next) return fail(at, { kind: 'not-one-type', found: tree.type.is, wanted: type.is, slip: slipOf(type, tree) })
    type = next
  }
  return fits(type) ? { type } : fail(parts[0]!.at, tooLong)
}

/** The first of some parts that is not of a wanted type and not NULL either. */
export const unlikeOf = (parts: readonly Part[], is: Type['is']): Part | undefined =>
  parts.find(({ tree: { type } }) => type.is !== is && type.is !== 'nothing')

export const tooLong: Problem = { kind: 'result-too-long', most: mostDigits }
export const fits = (type: Type) => type.is !== 'exact' || type.whole + type.scale <= mostDigits

/** A date written as text is the commonest slip. */
export function slipOf(wanted: Type, found: Tree): Slip | undefined {
  if (found.kind !== 'literal' || found.type.is !== 'text') return undefined
  const text = found.value ?? ''
  if (wanted.is === 'date' || wanted.is === 'time' || wanted.is === 'moment') return { as: wanted.is, text }
  return wanted.is === 'exact' && /^-?\d/.test(text) ? { as: 'number', text } : undefined
}
