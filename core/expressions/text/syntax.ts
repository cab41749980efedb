import type { DateUnit, KindName } from '../../kinds'
import type { Problem } from '../../words'

/** Where something stands in the text, in UTF-16 units from nought. */
export interface Span {
  readonly start: number
  readonly end: number
}

/** What is wrong with an expression, and where in it; never thrown. */
export interface Failure {
  readonly problem: Problem
  readonly at: Span
}

export const binaryOperators = ['+', '-', '*', '/', '||', '=', '<>', '<', '<=', '>', '>=', 'AND', 'OR'] as const
export type BinaryOperator = (typeof binaryOperators)[number]
export const aggregateNames = ['COUNT', 'SUM', 'AVG', 'MIN', 'MAX'] as const
export type AggregateName = (typeof aggregateNames)[number]

/** A type as CAST names it. */
export interface CastTarget {
  readonly name: 'DECIMAL' | 'INTEGER' | 'VARCHAR' | 'DATE' | 'TIMESTAMP'
  readonly sizes: readonly number[]
}

/** An expression as it was written, before its names are looked up. */
export type Syntax = Span &
  (
    | { readonly kind: 'number'; readonly text: string }
    | { readonly kind: 'text'; readonly text: string }
    | { readonly kind: 'moment'; readonly of: 'DATE' | 'TIME' | 'TIMESTAMP'; readonly text: string }
    | { readonly kind: 'interval'; readonly count: string; readonly unit: DateUnit }
    | { readonly kind: 'boolean'; readonly value: boolean }
    | { readonly kind: 'null' }
    | { readonly kind: 'name'; readonly parts: readonly NamePart[] }
    | { readonly kind: 'not' | 'minus'; readonly of: Syntax }
    | { readonly kind: 'binary'; readonly operator: BinaryOperator; readonly left: Syntax; readonly right: Syntax }
    | {
        readonly kind: 'between'
        readonly not: boolean
        readonly of: Syntax
        readonly least: Syntax
        readonly most: Syntax
      }
    | { readonly kind: 'in'; readonly not: boolean; readonly of: Syntax; readonly among: readonly Syntax[] }
    | {
        readonly kind: 'like'
        readonly not: boolean
        readonly of: Syntax
        readonly pattern: Syntax
        readonly escape: string
      }
    | { readonly kind: 'isNull'; readonly not: boolean; readonly of: Syntax }
    | { readonly kind: 'case'; readonly whens: readonly (readonly [Syntax, Syntax])[]; readonly other?: Syntax }
    | { readonly kind: 'call'; readonly name: string; readonly args: readonly Syntax[] }
    | { readonly kind: 'cast'; readonly of: Syntax; readonly to: CastTarget }
    | {
        readonly kind: 'aggregate'
        readonly name: AggregateName
        readonly of: Syntax
        /** The link by which the rows lead here, where it is said. */
        readonly by?: NamePart
        readonly where?: Syntax
      }
  )

export interface NamePart extends Span {
  readonly name: string
  readonly quoted: boolean
}

/** The kinds of field that an expression can't compute with. */
export const uncomputed: readonly KindName[] = ['file']
