import type { Cell } from '../../lists'

/** What one record puts into a document. */
export interface Filled {
  readonly ref: string
  /** What staff know it by. */
  readonly label: string
  readonly cells: Readonly<Record<string, Cell | readonly Cell[]>>
  /** By the rows' block: their cells in words, and what they come to. */
  readonly rows: Readonly<Record<string, FilledRows>>
  /** Which of what stands only under a condition stands. */
  readonly holds: ReadonlySet<string>
}

export interface FilledRows {
  readonly rows: readonly (readonly string[])[]
  readonly sums?: readonly string[] | undefined
  /** Where that isn't what the rows add up to: why, and to what. */
  readonly notes?: readonly string[] | undefined
}

/** What isn't the record's own. */
export interface Said {
  /** As "2027-03-12". */
  readonly today: string
  readonly who: string
  readonly book: string
  /** The number that it is handed out under; none before it is. */
  readonly number?: string | undefined
}
