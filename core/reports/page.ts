/** Pages as they come out of the printer: everything stands in points (1/72 inch) from the top left corner. */
export interface Page {
  readonly items: readonly Item[]
  /** Where on it stands what, from the top. */
  readonly areas: readonly Area[]
  /** Groups that begin on it, for who looks for them. */
  readonly marks: readonly { readonly level: number; readonly words: string; readonly y: number }[]
}

/** What something on a page belongs to. */
export type PagePart = 'heading' | 'opening' | 'columns' | 'rows' | 'groups' | 'closing' | 'letterhead'

/** A stretch of a page from one height to another. */
export interface Area {
  readonly part: PagePart
  readonly from: number
  readonly until: number
}

/** How dark something is. */
export type Tone = 'ink' | 'grey' | 'line' | 'tint'

/** One line of text; `y` is where its letters stand. */
export interface TextItem {
  readonly kind: 'text'
  readonly x: number
  readonly y: number
  readonly size: number
  readonly bold?: true
  readonly tone?: 'grey'
  readonly words: string
}

/** A line from left to right. */
export interface LineItem {
  readonly kind: 'line'
  readonly x: number
  readonly y: number
  readonly width: number
  readonly thick: number
  readonly tone: Tone
}

/** A tinted stretch beneath a row; a dark one where it is part of a code. */
export interface TintItem {
  readonly kind: 'tint'
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly tone?: 'ink'
}

/** A picture that is kept with the book. */
export interface PictureItem {
  readonly kind: 'picture'
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly hash: string
}

export type Item = TextItem | LineItem | TintItem | PictureItem
