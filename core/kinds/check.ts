import { fail, ok, type Problem, type Result } from '../words'
import { addDays } from './calendar'
import { type KindName, kindOf } from './registry'
import type { Now, Value } from './kind'
import type { Look } from './look'
import type { FieldSettings } from './settings'
import { isBlank } from './text'

/** A field as this room needs it: a kind and its settings. */
export type KindedField = FieldSettings & { readonly name: string; readonly kind: KindName }

/**
 * What was typed, to a value that the field may hold, or the reason that staff read.
 * The one check for the form, the server and Try a value.
 */
export function readValue(typed: string, field: KindedField, look: Look, now?: Now): Result<Value> {
  const kind = kindOf(field.kind)
  // Two million characters are more than any kind holds; not reading them keeps a huge paste quick.
  if (typed.length > 2_000_000) return fail({ kind: 'too-long', limit: field.length ?? 50_000, length: typed.length })
  if (isBlank(typed)) return checkValue(kind.control === 'tick' ? '0' : null, field, look)
  const read = kind.read(typed, field, look, now)
  if (!read.ok) return read
  return checkValue(read.value, field, look)
}

/** Whether a canonical value is filled where it must be and lies within the bounds. */
export function checkValue(value: Value, field: KindedField, look: Look): Result<Value> {
  const kind = kindOf(field.kind)
  if (value === null)
    return field.must && kind.control !== 'given' ? fail({ kind: 'blank', field: field.name }) : ok(null)
  const shown = (bound: string) => kind.show(bound, field, look)
  if (field.least !== undefined && kind.compare(value, field.least) < 0) {
    return refuse({ kind: 'below', least: shown(field.least) }, field)
  }
  if (field.most !== undefined && kind.compare(value, field.most) > 0) {
    return refuse({ kind: 'above', most: shown(field.most) }, field)
  }
  return ok(value)
}

export const showValue = (value: Value, field: KindedField, look: Look) =>
  value === null ? '' : kindOf(field.kind).show(value, field, look)

/** What a new record's field starts as; "today" and "now" become the moment given. */
export function startValue(field: KindedField, now: Now): Value {
  if (kindOf(field.kind).control === 'tick') return field.startsAs ?? '0'
  if (field.startsAs === 'today') return now.moment.slice(0, 10)
  if (field.startsAs === 'tomorrow') return addDays(now.moment.slice(0, 10), 1)
  if (field.startsAs === 'now') return now.moment.slice(0, 16)
  return field.startsAs ?? null
}

// The administrator's own words are about the bounds; what can't be read at all has words of its own.
const refuse = (problem: Problem, field: KindedField): Result<never> =>
  fail(field.refusal ? { kind: 'in-own-words', words: field.refusal } : problem)
