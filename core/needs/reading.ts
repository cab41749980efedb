import type { KindName } from '../kinds'

/** Words of a need, by its place among the needs and the characters in its text. */
export interface Evidence {
  readonly need: number
  readonly start: number
  readonly end: number
}

export interface ReadField {
  readonly name: string
  readonly kind: KindName
  readonly choices?: readonly string[]
  readonly unit?: string
  readonly must?: boolean
  /** At most so many rows that say so, for each record of a table: one technician of a visit leads. */
  readonly limit?: { readonly most: number; readonly per: string }
  readonly evidence: readonly Evidence[]
}

export interface ReadTable {
  readonly name: string
  readonly fields: readonly ReadField[]
  /** Set where it holds a fact that something has several of: the table that has them. */
  readonly rowsOf?: string
  readonly evidence: readonly Evidence[]
}

/** A tie; in a 1-n tie `from` is the one side. */
export interface ReadTie {
  readonly from: string
  readonly to: string
  readonly kind: '1-n' | 'n-n' | '1-1'
  /** In a 1-n or 1-1 tie, whether each `to` must have its `from`; in an n-n tie, whether each `from` needs one `to`. */
  readonly must: boolean
  /** Whether each `from` needs at least one `to`. */
  readonly least: boolean
  readonly limit?: { readonly most: number; readonly per: string; readonly of: string }
  readonly fields: readonly ReadField[]
  readonly verb: string
  /** How it reads from `from` to `to`, and back. */
  readonly says?: { readonly there?: string; readonly back?: string }
  readonly evidence: readonly Evidence[]
}

export interface ReadQuestion {
  readonly text: string
  readonly tables: readonly string[]
  readonly evidence: readonly Evidence[]
}

/** Something the words leave open, as a question in return. */
export interface OpenQuestion {
  readonly text: string
  readonly about: readonly string[]
}

/** A noun phrase of a need. It has a place in a design where one of these words comes in the names there. */
export interface NamedPhrase {
  readonly words: string
  /** In small letters, as they stand, in the singular and as a verb's infinitive. */
  readonly place: readonly string[]
  readonly evidence: Evidence
}

/** What was read: a design in the office's own nouns. Names are as on screen: "Boat type". */
export interface Reading {
  readonly tables: readonly ReadTable[]
  readonly ties: readonly ReadTie[]
  readonly questions: readonly ReadQuestion[]
  readonly open: readonly OpenQuestion[]
  /** Everything that is named, read or not. */
  readonly phrases: readonly NamedPhrase[]
}
