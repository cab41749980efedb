import type { Problem } from '@/core/words'
import { askingLimits } from '../../database'
import { databaseErrorOf } from '../refusals'

/** What came of a question that is too much for the database, as a problem; undefined for any other failure. */
export function heavyProblem(cause: unknown): Problem | undefined {
  // A statement that took too long (1969), or that was ended because whoever asked has gone (1317).
  if ([1969, 1317].includes(databaseErrorOf(cause).errno ?? 0))
    return { kind: 'asks-too-much', seconds: askingLimits.seconds }
  return (cause as Error).name === 'SequelizeConnectionAcquireTimeoutError' ? { kind: 'busy' } : undefined
}

/** Whether a statement spoke of a table, a column or a view that isn't there: while a book is being opened they come and go. */
export const isOfAnotherShape = (cause: unknown): boolean =>
  [1146, 1054, 1356, 1412].includes(databaseErrorOf(cause).errno ?? 0)
