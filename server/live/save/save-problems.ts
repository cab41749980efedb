import type { Problems } from '@/core/records'
import type { Problem } from '@/core/words'

/** What is wrong, by field; rows are called by their link and their place in the request, "link/0". */
export interface SaveProblems {
  readonly fields: Problems
  readonly rows: Readonly<Record<string, Problems>>
  readonly whole: readonly Problem[]
}

export const noProblems: SaveProblems = { fields: {}, rows: {}, whole: [] }

/** A refusal with the place it belongs to. */
export class SaveRefused extends Error {
  constructor(readonly problems: SaveProblems) {
    super('refused')
  }
}

/** Refuses what was sent as a whole. */
export const refuseWhole = (problem: Problem) => new SaveRefused({ ...noProblems, whole: [problem] })

/** What was refused in the first place, whatever it belongs to. */
export const firstProblem = ({ problems: { whole, fields, rows } }: SaveRefused): Problem | undefined =>
  [...whole, ...Object.values(fields), ...Object.values(rows).flatMap((row) => Object.values(row))][0]

/** The words of a rule that only warns. */
export interface Warning {
  readonly rule: string
  readonly words: string
}

export class Warned extends Error {
  constructor(readonly warnings: readonly Warning[]) {
    super('warned')
  }
}
