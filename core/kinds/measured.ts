import { fail, ok } from '../words'
import { boundChecks, boundWords, canonical, compareNumber, readDecimal, showDecimal, unitWords } from './decimal'
import type { FieldKind } from './kind'

/** Significant digits that a measured number keeps. */
export const measuredDigits = 15

/** A measured, approximate number: fifteen significant digits, as an instrument gives it. */
export const measured: FieldKind = {
  title: 'Measured number',
  short: 'float',
  holds: 'a reading from an instrument; approximate',
  control: 'number',
  align: 'end',
  span: () => 3,
  uses: ['unit', 'least', 'most', 'startsAs'],
  starts: {},
  read(typed, _settings, look) {
    const number = readDecimal(typed, look)
    if (!number.ok) return number
    const float = Number(number.value)
    if (Math.abs(float) >= 1e15) return fail({ kind: 'too-many-digits', digits: 15 })
    return ok(plain(float))
  },
  show: (value, _settings, look) => showDecimal(value, look),
  compare: compareNumber,
  columnType: () => ({ is: 'measured' }),
  checks: (settings) => boundChecks(settings),
  load: (stored) => plain(Number(stored)),
  store: (value) => Number(value),
  specimen: ({ example, least }) => example ?? least ?? '0.031',
  summary: (settings, look) =>
    `Measured number${unitWords(settings.unit)}${boundWords(settings, (value) => showDecimal(value, look))}`,
}

/** Without an exponent, so that what is shown can be typed again, and with every digit it has. */
export function plain(float: number): string {
  const [, sign = '', first = '', rest = '', exponent] = /^(-?)(\d)(?:\.(\d+))?e([-+]\d+)$/.exec(float.toExponential())!
  const [digits, before] = [first + rest, 1 + Number(exponent)]
  return canonical(
    before > 0
      ? `${sign}${digits.slice(0, before).padEnd(before, '0')}.${digits.slice(before)}`
      : `${sign}0.${'0'.repeat(-before)}${digits}`,
  )
}
