import type { Result } from '../words'
import type { ColumnType } from './column-type'
import type { Look } from './look'
import type { FieldSettings, SettingName } from './settings'

/**
 * A value as the program keeps it: canonical text, or null for blank. Numbers are plain digits with a
 * point ("12.50"), days "2027-03-12", times "09:30", moments "2027-03-12T09:30", ticks "1" and "0".
 * Text keeps money exact on its way from the keyboard to the database and back.
 */
export type Value = string | null

/** The day and minute it is, given from outside so that core stays free of a clock. */
export interface Now {
  /** As "2027-03-12T09:30", local wall-clock time. */
  readonly moment: string
}

export type Control =
  | 'line'
  | 'passage'
  | 'number'
  | 'date'
  | 'time'
  | 'date-time'
  | 'tick'
  | 'choice'
  | 'mark'
  | 'file'
  | 'link'
  | 'given'
  | 'derived'

/** A condition on one column, written with the column's quoted name. `name` ends the constraint's name. */
export interface ColumnCheck {
  readonly name: string
  readonly sql: (column: string) => string
  /** The regular expression that the whole value must match, where that is what the condition asks. */
  readonly shape?: string
  /** Said in MariaDB's words alone; other databases go without. */
  readonly mariadb?: true
}

/** One kind of field. Nothing outside this room asks which kind it has before it. */
export interface FieldKind {
  /** The name on screen. */
  readonly title: string
  /** The short name that the command line prints. */
  readonly short: string
  /** What it holds, in a few words for the list of kinds. */
  readonly holds: string
  readonly control: Control
  readonly align: 'start' | 'end'
  /** How many of twelve columns it takes in a form. */
  readonly span: (settings: FieldSettings) => 2 | 3 | 4 | 6 | 12
  /** The settings it uses besides must, note and example. */
  readonly uses: readonly SettingName[]
  /** What a new field of this kind starts with. */
  readonly starts: FieldSettings
  /** What was typed, to a canonical value. Blank text never gets here. Bounds are checked by `check`. */
  readonly read: (typed: string, settings: FieldSettings, look: Look, now?: Now) => Result<string>
  /** A canonical value as people write it. */
  readonly show: (value: string, settings: FieldSettings, look: Look) => string
  readonly compare: (a: string, b: string) => number
  /** What its column holds; none where it has the columns of something else, as a link and what is derived have. */
  readonly columnType: (settings: FieldSettings, look: Look) => ColumnType | undefined
  readonly checks: (settings: FieldSettings, look: Look) => readonly ColumnCheck[]
  /** From what the database driver returns to a canonical value. */
  readonly load: (stored: string | number) => string
  /** From a canonical value to what the driver takes. */
  readonly store: (value: string) => string | number
  /** A made-up value for the drawing of the control. */
  readonly specimen: (settings: FieldSettings) => string
  /** The kind with its settings, as the field list says it. */
  readonly summary: (settings: FieldSettings, look: Look) => string
}
