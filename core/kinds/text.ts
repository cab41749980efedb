import { fail, ok, type Result } from '../words'
import type { FieldKind } from './kind'

/** Length as people and MariaDB count it: one for each character, emoji included. */
export const lengthOf = (text: string) => [...text].length

// Control characters and the invisible marks that turn text around; a newline is for passages only.

const unseen = /[\u0000-\u0008\u000b-\u001f\u007f\u202a-\u202e\u2066-\u2069\ufffe\uffff]/
const loneSurrogate = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/

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

/** What kinds of plain text share. */
export const textKind = {
  control: 'line',
  align: 'start',
  show: (value) => value,
  compare: compareText,
  checks: () => [{ name: 'not_blank', sql: (column) => `${column} <> ''` }],
  load: String,
  store: (value) => value,
} satisfies Partial<FieldKind>
