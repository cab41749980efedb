import type { Look } from './look'

export const plainLook: Look = {
  currency: '£',
  currencyDecimals: 2,
  dateStyle: 'day-month-year',
  numberStyle: '1,234.50',
  weekStart: 'Monday',
}
