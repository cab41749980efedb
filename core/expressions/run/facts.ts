import type { Now, Value } from '../../kinds'
import type { Computed } from './functions'

/** A record as an expression sees it: its facts, the records it leads to, the rows that hang on it. */
export interface Facts {
  readonly value: (field: string) => Value
  readonly linked: (field: string) => Facts | undefined
  readonly rows: (link: string) => readonly Facts[]
}

/** What a tree is compiled to. */
export type Evaluator = (facts: Facts, now: Now) => Computed
