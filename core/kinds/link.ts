import { fail } from '../words'
import type { FieldKind } from './kind'
import { compareCanonical, readLine } from './text'

// No reference has it, and nobody can type it.
const mark = '\0'

/** What a link's box holds while words stand in it that are the name of no record, or of several. */
export const unmatched = (words: string): string => mark + words

/** The words in a link's box that fit no one record; undefined where it holds one, or nothing. */
export const unmatchedWords = (text: string): string | undefined =>
  text.startsWith(mark) ? text.slice(mark.length) : undefined

/**
 * A link to one record of another table. Its value is that record's reference; its columns come from
 * the key it points to (`core/physical`).
 */
export const link: FieldKind = {
  title: 'Link',
  short: 'link',
  holds: 'one record of another table',
  control: 'link',
  align: 'start',
  span: () => 6,
  uses: [],
  starts: {},
  read(typed) {
    const words = unmatchedWords(typed)
    return words === undefined ? readLine(typed, 2000) : fail({ kind: 'link-unmatched', words })
  },
  show: (value) => value,
  compare: compareCanonical,
  columnType: () => undefined,
  checks: () => [],
  load: String,
  store: (value) => value,
  specimen: () => '',
  summary: () => 'Link',
}
