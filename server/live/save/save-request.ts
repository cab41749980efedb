import * as z from 'zod'

const Values = z.record(z.string().max(40), z.string().max(200_000).nullable())
/** A row as a form sends it. */
export const Row = z.strictObject({
  /** Null for a new row. */
  ref: z.string().max(4000).nullable(),
  rev: z.int().nullable(),
  values: Values,
  /** What the form showed of facts that are copied when they are saved. */
  seen: Values.optional(),
  removed: z.boolean().optional(),
})

/** A record as a form sends it: the values that were changed, and the rows inset in it. */
export const SaveRequest = z.strictObject({
  table: z.string().max(40),
  ...Row.omit({ removed: true }).shape,
  children: z.array(z.strictObject({ link: z.string().max(40), rows: z.array(Row).max(300) })).max(50),
  /** Rules that warned, and whose words were read. */
  despite: z.array(z.string().max(40)).max(1000).optional(),
})
export type SaveRequest = z.infer<typeof SaveRequest>
