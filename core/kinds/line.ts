import { counted } from '../words'
import type { FieldKind } from './kind'
import { readLine, textKind } from './text'

const limitOf = (length: number | undefined) => length ?? 60

/** Text on one line, up to so many characters. */
export const line: FieldKind = {
  ...textKind,
  title: 'Line',
  short: 'text',
  holds: 'a short text: a name, a street',
  span: ({ length }) => (limitOf(length) <= 20 ? 3 : limitOf(length) <= 80 ? 6 : 12),
  uses: ['length', 'unique', 'startsAs'],
  starts: { length: 60 },
  read: (typed, { length }) => readLine(typed, limitOf(length)),
  columnType: ({ length }) => ({ is: 'text', most: limitOf(length) }),
  specimen: ({ example }) => example ?? 'Some words',
  summary: ({ length }) => `Line, up to ${counted(limitOf(length), 'character')}`,
}
