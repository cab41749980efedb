/** A column on paper. */
export interface PaperColumn {
  readonly id: string
  readonly heading: string
  /**
   * Numbers stand to the right, so that their points are under each other; days with one figure in front a figure's width
   * further in, so that months are.
   */
  readonly align: 'start' | 'end' | 'day'
  /** A number or a day is one word: it is never broken. */
  readonly whole: boolean
}

/** What a report has, in the order in which it is read. */
export type PaperPart =
  | { readonly kind: 'group'; readonly level: number; readonly words: string }
  | {
      readonly kind: 'row'
      readonly cells: readonly string[]
      /** It goes on with the record of the row before. */
      readonly goesOn?: boolean
      /** What it adds to what is carried from page to page, exactly, as `Carrying` names the columns. */
      readonly adds?: readonly (string | null)[]
    }
  /** What a group comes to, or all records where it has no level; none of the cells that nothing stands in. */
  | {
      readonly kind: 'sum'
      readonly level?: number
      readonly words: string
      readonly cells: readonly string[]
      /** Said beneath it. */
      readonly notes?: readonly string[]
    }

/** A day with one figure in front is measured as if it had two. */
export const asMeasured = ({ align }: Pick<PaperColumn, 'align'>, words: string): string =>
  align === 'day' && /^\d\D/.test(words) ? `0${words}` : words

/** What rows come to so far, from page to page: of which columns, and how it is written there. */
export interface Carrying {
  /** By their places on paper. */
  readonly places: readonly number[]
  readonly write: (at: number, sum: string) => string
}
