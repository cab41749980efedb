import type { Evidence } from '../../needs'
import type { KindName } from '../../kinds'
import type { TieWords } from './tie-words'
import type { Quantity } from '../knowledge/quantities'

/** A fact as it was named, before it has an owner. */
export interface Named {
  readonly name: string
  readonly kind?: KindName
  readonly choices?: readonly string[]
  readonly several?: boolean
  readonly must?: boolean
  readonly unit?: string
}

/** What one sentence says; the design is put together from all of them. */
export type Fact =
  /** Something that may be kept; `weight` says how strongly, `sure` that attribute words count as things here. */
  | {
      readonly kind: 'thing'
      readonly name: string
      readonly weight: number
      readonly sure?: boolean
      /** The thing that they are rows of. */
      readonly rowsOf?: string
      readonly at: Evidence
    }
  | { readonly kind: 'fact'; readonly owner: string; readonly named: Named; readonly at: Evidence }
  /** One `a` has so many of `b`. Loose ties say only that there are some on both sides. */
  | {
      readonly kind: 'tie'
      readonly a: string
      readonly b: string
      readonly perA: Quantity
      readonly loose?: boolean
      readonly verb: string
      /** How it reads from `a` to `b` and back. */
      readonly says?: TieWords
      readonly at: Evidence
    }
  /** A fact about two things together. */
  | {
      readonly kind: 'pairFact'
      readonly a: string
      readonly b: string
      readonly named: Named
      /** So many rows that say so for each record of this thing: one of them leads. */
      readonly limit?: { readonly most: number; readonly per: string }
      readonly at: Evidence
    }
  | { readonly kind: 'question'; readonly text: string; readonly at: Evidence }
  | { readonly kind: 'same'; readonly name: string; readonly as: string; readonly at: Evidence }
