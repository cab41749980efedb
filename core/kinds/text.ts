import { fail, ok, type Result } from '../words'
import type { ColumnCheck, FieldKind } from './kind'

/** Length as people and MariaDB count it: one for each character, emoji included. */
export const lengthOf = (text: string) => [...text].length

// Control characters and the invisible marks that turn text around; a newline is for passages only.

const unseen = /[\u0000-\u0008\u000b-\u001f\u007f\u202a-\u202e\u2066-\u2069\ufffe\uffff]/
const loneSurrogate = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/

/**
 * Characters that nobody sees though they are no blanks: soft hyphens, joiners, fillers, marks of direction, selectors,
 * tags (Unicode's Default_Ignorable_Code_Point, spelled out for MariaDB, which doesn't know the name), an empty Braille cell.
 */
const ignorable: readonly (readonly [number, number])[] = [
  [0xad, 0xad],
  [0x34f, 0x34f],
  [0x61c, 0x61c],
  [0x115f, 0x1160],
  [0x17b4, 0x17b5],
  [0x180b, 0x180f],
  [0x200b, 0x200f],
  [0x202a, 0x202e],
  [0x2060, 0x206f],
  [0x2800, 0x2800],
  [0x3164, 0x3164],
  [0xfe00, 0xfe0f],
  [0xfeff, 0xfeff],
  [0xffa0, 0xffa0],
  [0xfff0, 0xfff8],
  [0x1bca0, 0x1bca3],
  [0x1d173, 0x1d17a],
  [0xe0000, 0xe0fff],
]

const hex = (code: number) => code.toString(16)
const visible = new RegExp(
  `[^\\s\\p{Z}\\p{Cc}${ignorable.map(([from, to]) => `\\u{${hex(from)}}-\\u{${hex(to)}}`).join('')}]`,
  'u',
)
/** The same for MariaDB: text in which something can be seen. */
const visibleSql = `[^\\s\\p{Z}\\p{Cc}${ignorable.map(([from, to]) => `\\x{${hex(from)}}-\\x{${hex(to)}}`).join('')}]`

/** Whether nothing of a text can be seen: it counts as not filled in. */
export const isBlank = (text: string) => !visible.test(text)

const unseenAnywhere = new RegExp(
  `[\\p{Cc}${ignorable.map(([from, to]) => `\\u{${hex(from)}}-\\u{${hex(to)}}`).join('')}]`,
  'u',
)

/** Whether a text has characters in it that nobody sees: in names and passwords they only mislead. */
export const hasUnseen = (text: string) => unseenAnywhere.test(text)

/** Tidies typed text and refuses what can't be stored or seen. Limits are counted in characters. */
export function readText(typed: string, limit: number): Result<string> {
  const text = typed.normalize('NFC').trim()
  if (unseen.test(text) || loneSurrogate.test(text)) return fail({ kind: 'odd-characters' })
  const length = lengthOf(text)
  return length > limit ? fail({ kind: 'too-long', limit, length }) : ok(text)
}

/** One line: line breaks and tabs that came with a paste become spaces. */
export const readLine = (typed: string, limit: number) => readText(typed.replace(/[\s]+/g, ' '), limit)

const collator = new Intl.Collator('en', { sensitivity: 'accent' })
export const compareText = (a: string, b: string) => collator.compare(a, b)
export const compareCanonical = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/** A text literal for DDL. Only ever used on what the design holds, never on records. */
export const quoteText = (text: string) => `'${text.replaceAll('\\', '\\\\').replaceAll("'", "''")}'`

/** A condition that the whole text matches a regular expression, which MariaDB reads as the browser does. */
export const matches = (column: string, expression: string) =>
  `${column} REGEXP ${quoteText(`\\A(?:${expression})\\z`)}`

/** What other tools may not write either: text in which nothing can be seen, and characters that control something. */
export const seenCheck = (controls: string): ColumnCheck => ({
  name: 'seen',
  sql: (column) => `${column} REGEXP ${quoteText(visibleSql)} AND ${column} NOT REGEXP ${quoteText(controls)}`,
  mariadb: true,
})
const notBlank: ColumnCheck = { name: 'not_blank', sql: (column) => `${column} <> ''` }
/** The checks of a text on one line. */
export const lineChecks: readonly ColumnCheck[] = [notBlank, seenCheck('[\\x00-\\x1f\\x7f]')]

/** What kinds of plain text share. */
export const textKind = {
  control: 'line',
  align: 'start',
  show: (value) => value,
  compare: compareText,
  checks: () => lineChecks,
  load: String,
  store: (value) => value,
} satisfies Partial<FieldKind>
