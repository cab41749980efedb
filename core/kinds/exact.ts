import { counted } from '../words'
import { boundChecks, boundWords, compareNumber, fitDecimal, readDecimal, showDecimal, unitWords } from './decimal'
import type { FieldKind } from './kind'
import type { FieldSettings } from './settings'

const digitsOf = ({ digits }: FieldSettings) => digits ?? 8
const decimalsOf = ({ decimals }: FieldSettings) => decimals ?? 2

/** A decimal number kept exactly as written, with so many decimals. */
export const exact: FieldKind = {
  title: 'Exact number',
  short: 'decimal',
  holds: 'a number with decimals, kept exactly',
  control: 'number',
  align: 'end',
  span: () => 3,
  uses: ['decimals', 'digits', 'unit', 'least', 'most', 'startsAs', 'unique'],
  starts: { digits: 8, decimals: 2 },
  read(typed, settings, look) {
    const number = readDecimal(typed, look)
    return number.ok ? fitDecimal(number.value, digitsOf(settings), decimalsOf(settings)) : number
  },
  show: (value, _settings, look) => showDecimal(value, look),
  compare: compareNumber,
  columnType: (settings) => ({ is: 'exact', whole: digitsOf(settings), scale: decimalsOf(settings) }),
  checks: (settings) => boundChecks(settings),
  load: String,
  store: (value) => value,
  specimen: ({ example, least, decimals }) => example ?? least ?? (6.5).toFixed(decimals ?? 2),
  summary: (settings, look) =>
    `Exact number, ${counted(decimalsOf(settings), 'decimal')}${unitWords(settings.unit)}${boundWords(settings, (value) => showDecimal(value, look))}`,
}
