/** Columns that stand side by side on one page, by their places, and how wide each is, in points. */
export interface ColumnSet {
  readonly columns: readonly number[]
  readonly widths: readonly number[]
  /** How far in they begin, in points. */
  readonly in: number
}

export interface ColumnFit {
  /**
   * One where all columns fit on a page; several where some are carried over to a page beside it, or where they stand
   * beneath each other.
   */
  readonly sets: readonly ColumnSet[]
  readonly gap: number
  /** Sets stand beneath each other on one page: each row in as many lines. */
  readonly isFolded: boolean
}

export interface Wants {
  /** Wide enough for every cell on one line. */
  readonly natural: number
  /** So narrow that no word is cut, or few are. */
  readonly least: number
}

/** The sets of columns on each of the pages side by side: one on each, or all on one beneath each other. */
export const pagesBeside = ({ sets, isFolded }: Pick<ColumnFit, 'sets' | 'isFolded'>): number[][] => {
  const all = sets.map((_, set) => set)
  return isFolded ? [all] : all.map((set) => [set])
}
