import type { Book } from '../../book'
import { extractTable } from './extract-table'
import { rekeyed } from './carry-keys'
import { inlineTable } from './inline-table'
import type { Carrying } from './carrying'
import { movesOf } from '../diff/moves'
import type { TablePair } from '../diff/pairs'

export function carryOver(before: Book, after: Book, pairs: readonly TablePair[]): Carrying {
  const moves = movesOf(before, after, pairs)
  const told = [
    ...moves.apart.map((move) => extractTable(before, after, move)),
    ...moves.together.map((move) => inlineTable(before, move)),
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
