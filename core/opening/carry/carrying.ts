import type { LiveCheckQuestion, OpeningStep } from '../steps'

/** What it takes for records to follow facts that moved, and which columns and tables it leaves empty behind. */
export interface Carrying {
  readonly steps: readonly OpeningStep[]
  /** Steps that do nothing but say how what is about to be dropped is written back. */
  readonly beforeDrops: readonly OpeningStep[]
  readonly questions: readonly LiveCheckQuestion[]
  /** `table/column` that need not be empty when they are dropped. */
  readonly leaving: ReadonlySet<string>
  /** `table/column` that are new and get their values here, before they must be filled. */
  readonly filled: ReadonlySet<string>
  /** Tables that go, and whose records live on elsewhere. */
  readonly emptied: ReadonlySet<string>
}

/** The same of one move. */
export interface CarryPlan {
  readonly steps: readonly OpeningStep[]
  readonly beforeDrops: readonly OpeningStep[]
  readonly questions: readonly LiveCheckQuestion[]
  readonly leaving: readonly string[]
  readonly filled: readonly string[]
}
