import * as z from 'zod'
import { Pattern } from '../patterns'
import { settingLimits } from './setting-limits'

/** One word of a choice field. The id stays when the word changes, so that records can follow. */
export const Choice = z.strictObject({
  id: z.string().min(1).max(40),
  word: z.string().min(1).max(settingLimits.choiceLength),
})
export type Choice = z.infer<typeof Choice>

export const Choices = z.array(Choice).max(settingLimits.choices)

/**
 * What a field may carry besides its name and kind. All optional; each kind says which it uses.
 * Bounds and first values are canonical values (see value.ts), not what was typed.
 */
export const FieldSettings = z.strictObject({
  length: z.int().optional(),
  exactLength: z.boolean().optional(),
  digits: z.int().optional(),
  decimals: z.int().optional(),
  unit: z.string().max(settingLimits.texts.unit).optional(),
  least: z.string().max(40).optional(),
  most: z.string().max(40).optional(),
  choices: Choices.optional(),
  scale: z.int().optional(),
  prefix: z.string().max(settingLimits.texts.prefix).optional(),
  width: z.int().optional(),
  yearly: z.boolean().optional(),
  /** The fixed shape of a code. */
  pattern: Pattern.optional(),
  megabytes: z.int().optional(),
  picturesOnly: z.boolean().optional(),
  startsAs: z.string().max(4000).optional(),
  must: z.boolean().optional(),
  unique: z.boolean().optional(),
  note: z.string().max(settingLimits.texts.note).optional(),
  example: z.string().max(settingLimits.texts.example).optional(),
  refusal: z.string().max(settingLimits.texts.refusal).optional(),
})
export type FieldSettings = z.infer<typeof FieldSettings>
export type SettingName = keyof FieldSettings
