import { fit, longest, patternSource, sayPattern, specimenOf } from '../patterns'
import { fail, ok } from '../words'
import type { FieldKind } from './kind'
import { lengthOf, lineChecks, quoteText, readLine, textKind } from './text'

const lengthSet = (length: number | undefined) => length ?? 10

/** Text of fixed shape. All digits stay text, with their leading zeros. */
export const code: FieldKind = {
  ...textKind,
  title: 'Code',
  short: 'code',
  holds: 'a code of fixed shape; keeps leading zeros',
  span: ({ length, pattern }) => ((pattern ? longest(pattern) : lengthSet(length)) <= 24 ? 3 : 6),
  uses: ['length', 'exactLength', 'pattern', 'unique', 'startsAs'],
  starts: { length: 10 },
  read(typed, { length, exactLength, pattern, example }) {
    const text = readLine(typed, pattern ? 700 : lengthSet(length))
    if (pattern && text.ok) {
      const fitted = fit(pattern, text.value)
      if ('value' in fitted) return ok(fitted.value)
      return fail(
        fitted.because === 'check'
          ? { kind: 'check-digit' }
          : { kind: 'not-shaped', shape: sayPattern(pattern), example: example ?? specimenOf(pattern, () => 0) },
      )
    }
    if (!text.ok || !exactLength || lengthOf(text.value) === lengthSet(length)) return text
    return fail({ kind: 'not-length', length: lengthSet(length), found: lengthOf(text.value) })
  },
  columnType: ({ length, pattern }) => ({
    is: 'text',
    most: pattern ? Math.min(700, longest(pattern)) : lengthSet(length),
  }),
  checks: ({ length, exactLength, pattern }) =>
    pattern
      ? [
          // Capitals matter in a pattern, whatever the column's collation makes of them.
          {
            name: 'shape',
            sql: (column) => `${column} REGEXP ${quoteText(`(?-i)\\A(?:${patternSource(pattern)})\\z`)}`,
            shape: patternSource(pattern),
          },
        ]
      : exactLength
        ? [{ name: 'length', sql: (column) => `CHAR_LENGTH(${column}) = ${lengthSet(length)}` }, ...lineChecks]
        : lineChecks,
  specimen: ({ example, length, pattern }) =>
    example ?? (pattern ? specimenOf(pattern) : undefined) ?? 'AB-0042719358'.slice(0, lengthSet(length)),
  summary: ({ length, exactLength, pattern }) =>
    pattern
      ? `Code: ${sayPattern(pattern)}`
      : `Code of ${exactLength ? 'exactly' : 'up to'} ${lengthSet(length)} characters`,
}
