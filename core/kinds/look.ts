import * as z from 'zod'
import { namings } from '../names'

/** How one book writes dates, numbers and money, the same for everybody who uses it. */
export const Look = z.strictObject({
  currency: z.string().min(1).max(4),
  currencyDecimals: z.int().min(0).max(3),
  dateStyle: z.enum(['day-month-year', 'month-day-year', 'year-month-day']),
  numberStyle: z.enum(['1,234.50', '1.234,50', '1 234,50']),
  weekStart: z.enum(['Monday', 'Sunday', 'Saturday']),
  /** The house style of names in the live database; plain where nothing was chosen. */
  naming: z.enum(namings).optional(),
})
export type Look = z.infer<typeof Look>
