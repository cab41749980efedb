import * as z from 'zod'

/** One part of an entry pattern. Parts that stand together and are optional come together or not at all. */
export const Block = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('fixed'), text: z.string().min(1).max(20), optional: z.literal(true).optional() }),
  z.strictObject({
    kind: z.enum(['digits', 'letters', 'either']),
    least: z.int().min(1).max(40),
    most: z.int().min(1).max(40),
    case: z.enum(['upper', 'lower']).optional(),
    optional: z.literal(true).optional(),
  }),
])
export type Block = Readonly<z.infer<typeof Block>>
export type Varying = Exclude<Block, { kind: 'fixed' }>

/** Ways of telling a slip of the fingers by the value itself. */
export const checkNames = ['isbn', 'iban', 'luhn'] as const
export type CheckName = (typeof checkNames)[number]

/** The fixed shape of a code: its parts from left to right, and a check over the whole, if it carries one. */
export const Pattern = z.strictObject({
  blocks: z.array(Block).min(1).max(24).readonly(),
  check: z.enum(checkNames).optional(),
})
export type Pattern = Readonly<z.infer<typeof Pattern>>
