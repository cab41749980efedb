import type { Book } from '../book'
import { apart } from './carry-apart'
import { rekeyed } from './carry-keys'
import { together } from './carry-together'
import { movesOf } from './moves'
import type { TablePair } from './pairs'
import type { LiveCheckQuestion, OpeningStep } from './plan'

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

export interface Told {
  readonly steps: readonly OpeningStep[]
  readonly beforeDrops: readonly OpeningStep[]
  readonly questions: readonly LiveCheckQuestion[]
  readonly leaving: readonly string[]
  readonly filled: readonly string[]
}

export function carryOver(before: Book, after: Book, pairs: readonly TablePair[]): Carrying {
  const moves = movesOf(before, after, pairs)
  const told = [
    ...moves.apart.map((move) => apart(before, after, move)),
    ...moves.together.map((move) => together(before, move)),
    rekeyed(before, after, pairs),
  ]
  return {
    steps: told.flatMap((one) => one.steps),
    beforeDrops: told.flatMap((one) => one.beforeDrops),
    questions: told.flatMap((one) => one.questions),
    leaving: new Set(told.flatMap((one) => one.leaving)),
    filled: new Set(told.flatMap((one) => one.filled)),
    emptied: new Set(moves.together.map(({ from }) => from.was.id)),
  }
}
