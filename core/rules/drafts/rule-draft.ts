import type { RuleSays } from '../../book'
import type { Sentence } from './sentences'

/** A rule over several records, or over changes, while it is put together; expressions as they are typed. */
export type PartsDraft =
  | { readonly kind: 'together'; readonly fields: readonly string[]; readonly blanks: 'differ' | 'alike' }
  | {
      readonly kind: 'apart'
      readonly same: readonly string[]
      readonly from: string
      readonly to: string
      readonly unless: string
    }
  | { readonly kind: 'closed'; readonly once: string; readonly except: readonly string[]; readonly rows: boolean }
  | { readonly kind: 'follows'; readonly field: string; readonly steps: Readonly<Record<string, readonly string[]>> }

/** A rule while it is put together: a sentence with its parts, or an expression as it is typed. */
export type RuleDraft = Sentence | PartsDraft | { readonly kind: 'written'; readonly source: string }

export type DraftOf<Kind extends RuleDraft['kind']> = Extract<RuleDraft, { kind: Kind }>

/** Rules about what goes on for good are asked whenever a record changes, and always refuse. */
export const isStanding = ({ kind }: Pick<RuleDraft | RuleSays, 'kind'>) => kind === 'closed' || kind === 'follows'
