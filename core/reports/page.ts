/** Pages as they come out of the printer: everything stands in points (1/72 inch) from the top left corner. */
export interface Page {
  readonly items: readonly Item[]
  /** Where on it stands what, from the top. */
  readonly areas: readonly Area[]
  /** Groups that begin on it, for who looks for them. */
  readonly marks: readonly { readonly level: number; readonly words: string; readonly y: number }[]
}

/** What something on a page belongs to. */
export type PagePart = 'heading' | 'opening' | 'chart' | 'columns' | 'rows' | 'groups' | 'closing' | 'letterhead'

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
  /** The office's own, in place of a tone. */
  readonly colour?: string
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
  /** The office's own, in place of its tone. */
  readonly colour?: string
}

/** A tinted stretch beneath a row; a dark one where it is part of a code, one of the shades where it is of a chart. */
export interface TintItem {
  readonly kind: 'tint'
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly tone?: 'ink' | Shade
}

/** What parts of a chart are told apart by: colours that differ as greys too, those next to each other the most. */
export const shades = {
  first: '#14625c',
  second: '#e0b354',
  third: '#4a3763',
  fourth: '#9fc4dd',
  fifth: '#7d3b24',
  sixth: '#d3dbc4',
  seventh: '#6f7d8c',
} as const
export type Shade = keyof typeof shades
export const shadeNames = Object.keys(shades) as readonly Shade[]

/** A line from point to point. */
export interface PathItem {
  readonly kind: 'path'
  readonly points: readonly (readonly [x: number, y: number])[]
  readonly thick: number
  readonly tone: Shade
  /** How long it is drawn and left out in turn. */
  readonly dash?: readonly number[]
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

export type Item = TextItem | LineItem | TintItem | PathItem | PictureItem
