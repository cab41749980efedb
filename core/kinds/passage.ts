import type { FieldKind } from './kind'
import { readText, seenCheck, textKind } from './text'

const limit = 50_000

/** Long text with line breaks, up to 50 000 characters. */
export const passage: FieldKind = {
  ...textKind,
  title: 'Passage',
  short: 'longtext',
  holds: 'long text over several lines: a note, a letter',
  control: 'passage',
  span: () => 12,
  uses: ['startsAs'],
  starts: {},
  read: (typed) => readText(typed.replace(/\r\n?/g, '\n').replaceAll('\t', '  '), limit),
  columnType: () => ({ is: 'longText' }),
  checks: () => [
    { name: 'length', sql: (column) => `CHAR_LENGTH(${column}) BETWEEN 1 AND ${limit}` },
    seenCheck('[\\x00-\\x08\\x0b\\x0c\\x0e-\\x1f\\x7f]'),
  ],
  specimen: ({ example }) => example ?? 'A few sentences, as long as they need to be.',
  summary: () => 'Passage of text',
}
