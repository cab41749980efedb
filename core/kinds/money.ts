import { boundChecks, boundWords, compareNumber, fitDecimal, readDecimal, showDecimal } from './decimal'
import type { FieldKind } from './kind'

const digits = 12

/** An exact amount in the book's one currency. */
export const money: FieldKind = {
  title: 'Money',
  short: 'money',
  holds: 'an amount in the book’s currency, exact',
  control: 'number',
  align: 'end',
  span: () => 3,
  uses: ['least', 'most', 'startsAs'],
  starts: { least: '0' },
  read(typed, _settings, look) {
    const bare = typed.trim().startsWith(look.currency) ? typed.trim().slice(look.currency.length) : typed
    const number = readDecimal(bare, look)
    return number.ok ? fitDecimal(number.value, digits, look.currencyDecimals) : number
  },
  show: (value, _settings, look) => showDecimal(value, look),
  compare: compareNumber,
  columnType: (_settings, look) => ({ is: 'exact', whole: digits, scale: look.currencyDecimals }),
  checks: (settings) => boundChecks(settings),
  load: String,
  store: (value) => value,
  specimen: ({ example }) => example ?? '62.00',
  summary: (settings, look) => `Money in ${look.currency}${boundWords(settings, (value) => showDecimal(value, look))}`,
}
