import { fail } from '../words'
import type { FieldKind } from './kind'
import { lengthOf, readLine, textKind } from './text'

const lengthSet = (length: number | undefined) => length ?? 10

/** Text of fixed shape. All digits stay text, with their leading zeros. */
export const code: FieldKind = {
  ...textKind,
  title: 'Code',
  short: 'code',
  holds: 'a code of fixed shape; keeps leading zeros',
  span: ({ length }) => (lengthSet(length) <= 24 ? 3 : 6),
  uses: ['length', 'exactLength', 'unique', 'startsAs'],
  starts: { length: 10 },
  read(typed, { length, exactLength }) {
    const text = readLine(typed, lengthSet(length))
    if (!text.ok || !exactLength || lengthOf(text.value) === lengthSet(length)) return text
    return fail({ kind: 'not-length', length: lengthSet(length), found: lengthOf(text.value) })
  },
  sqlType: ({ length }) => `VARCHAR(${lengthSet(length)})`,
  checks: ({ length, exactLength }) => [
    exactLength
      ? { name: 'length', sql: (column) => `CHAR_LENGTH(${column}) = ${lengthSet(length)}` }
      : { name: 'not_blank', sql: (column) => `${column} <> ''` },
  ],
  specimen: ({ example, length }) => example ?? 'AB-0042719358'.slice(0, lengthSet(length)),
  summary: ({ length, exactLength }) => `Code of ${exactLength ? 'exactly' : 'up to'} ${lengthSet(length)} characters`,
}
