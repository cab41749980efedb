import { fail, ok } from '../words'
import { boundChecks, boundWords, compareNumber, readDecimal, showDecimal, unitWords } from './decimal'
import type { FieldKind } from './kind'

const intMost = 2_147_483_647
const isWide = (bound: string | undefined) => bound !== undefined && Math.abs(Number(bound)) > intMost

/** An exact whole number of at most fifteen digits. */
export const whole: FieldKind = {
  title: 'Whole number',
  short: 'integer',
  holds: 'a count or another number without decimals',
  control: 'number',
  align: 'end',
  span: () => 3,
  uses: ['least', 'most', 'unit', 'startsAs', 'unique'],
  starts: {},
  read(typed, { least, most }, look) {
    const number = readDecimal(typed, look, '12')
    if (!number.ok) return fail({ kind: 'not-whole', text: typed.trim() })
    if (number.value.includes('.')) return fail({ kind: 'not-whole', text: typed.trim() })
    const digits = number.value.replace('-', '').length
    if (digits > 15) return fail({ kind: 'too-many-digits', digits: 15 })
    if (!isWide(least) && !isWide(most) && Math.abs(Number(number.value)) > intMost) {
      return Number(number.value) > 0
        ? fail({ kind: 'above', most: showDecimal(String(intMost), look) })
        : fail({ kind: 'below', least: showDecimal(String(-intMost), look) })
    }
    return ok(number.value)
  },
  show: (value, _settings, look) => showDecimal(value, look),
  compare: compareNumber,
  columnType: ({ least, most }) => ({ is: 'whole', bytes: isWide(least) || isWide(most) ? 8 : 4 }),
  checks: (settings) => boundChecks(settings),
  load: String,
  store: (value) => value,
  specimen: ({ least, most }) => least ?? most ?? '12',
  summary: (settings, look) =>
    `Whole number${unitWords(settings.unit)}${boundWords(settings, (value) => showDecimal(value, look))}`,
}
