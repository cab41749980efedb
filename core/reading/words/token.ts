export type WordClass =
  | 'each'
  | 'article'
  | 'possessive'
  | 'number'
  | 'noun'
  | 'adjective'
  | 'verb'
  | 'participle'
  | 'gerund'
  | 'be'
  | 'have'
  | 'modal'
  | 'not'
  | 'preposition'
  | 'conjunction'
  | 'pronoun'
  | 'asking'
  | 'filler'
  | 'mark'

/** A word or a mark of punctuation, with its place in the need's text. */
export interface Token {
  readonly text: string
  readonly lower: string
  readonly start: number
  readonly end: number
  readonly is: WordClass
}
