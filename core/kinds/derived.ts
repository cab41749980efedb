import { fail } from '../words'
import type { FieldKind } from './kind'
import type { SettingName } from './settings'
import { compareCanonical } from './text'

/**
 * A kind whose values nobody types: they come from other facts. What it looks like is the matter of what it
 * is made from, so whoever shows one, or makes a column for it, asks the room of expressions for its face.
 */
const derived = (words: Pick<FieldKind, 'title' | 'short' | 'holds'>, uses: readonly SettingName[]): FieldKind => ({
  ...words,
  control: 'derived',
  align: 'start',
  span: () => 3,
  uses,
  starts: {},
  read: () => fail({ kind: 'in-own-words', words: 'Nobody types this; it comes by itself.' }),
  show: (value) => value,
  compare: compareCanonical,
  columnType: () => undefined,
  checks: () => [],
  load: String,
  store: (value) => value,
  specimen: ({ example }) => example ?? '',
  summary: () => words.title,
})

/** A fact of the record a link leads to, always as it is there now. */
export const borrowed = derived(
  { title: 'Borrowed', short: 'borrowed', holds: 'a value of the linked record, always as it is there now' },
  [],
)

/** A fact taken over when the link is made, and kept. */
export const copied = derived(
  { title: 'Copied', short: 'copied', holds: 'a value of the linked record, as it was when the link was made' },
  [],
)

/** Computed over the rows that hang on the record. */
export const gathered = derived(
  {
    title: 'Gathered',
    short: 'gathered',
    holds: 'count, total, average, least or greatest of the rows that link here',
  },
  ['decimals', 'unit'],
)

/** An expression over the record and those it is tied to. */
export const workedOut = derived(
  { title: 'Worked out', short: 'worked-out', holds: 'calculated from other fields of the record' },
  ['decimals', 'unit'],
)
