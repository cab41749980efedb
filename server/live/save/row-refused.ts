import type { Problem } from '@/core/words'

/** What stopped a row: a problem and the field it belongs to. Thrown to end the unit of work. */
export class RowRefused extends Error {
  constructor(
    readonly field: string | undefined,
    readonly problem: Problem,
    /** Where several fields together are refused, all of them. */
    readonly fields: readonly string[] = field ? [field] : [],
  ) {
    super(problem.kind)
  }
}
