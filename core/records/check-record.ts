import { type Book, type Field, mustHold, type Table, tableOf } from '../book'
import {
  checkValue,
  isBlank,
  isTyped,
  kindOf,
  type Now,
  plainLook,
  readValue,
  startValue,
  type Value,
  workedOut,
} from '../kinds'
import { brokenRules } from '../rules'
import { fail, ok, oncePer, type Problem, type Result } from '../words'

/** Values by field id. */
export type Values = Readonly<Record<string, Value>>
/** Problems by field id. */
export type Problems = Readonly<Record<string, Problem>>

/** A field as its table asks for it: part of the key means it must be filled. */
const asked = (table: Table, field: Field): Field => (mustHold(table, field) ? { ...field, must: true } : field)
const typedFields = oncePer((table: Table) => table.fields.filter(isTyped).map((field) => asked(table, field)))
// Canonical text reads in the plain style, whatever style the book shows.
const plainly = oncePer((look: Book['look']): Book['look'] => ({
  ...look,
  numberStyle: plainLook.numberStyle,
  dateStyle: plainLook.dateStyle,
}))

/** Reads what was typed into one field of a form, a sum as what it comes to. Link fields hold a reference and are passed on. */
export const readTyped = (book: Book, table: Table, field: Field, typed: string, now?: Now): Result<Value> =>
  readValue(workedOut(typed, field, book.look), asked(table, field), book.look, now)

/** The second reading, on the server: canonical values checked by the same kinds. */
export function checkRecord(book: Book, tableId: string, values: Values): Result<Values, Problems> {
  const table = tableOf(book, tableId)
  const checked: Record<string, Value> = {}
  const problems: Record<string, Problem> = {}
  const plain = plainly(book.look)
  for (const field of typedFields(table)) {
    if (!(field.id in values)) continue
    const read = checkCanonical(book.look, plain, field, values[field.id] ?? null)
    if (read.ok) checked[field.id] = read.value
    else problems[field.id] = read.problem
  }
  const broken = Object.keys(problems).length > 0 ? problems : brokenRules(book, tableId, checked)
  return Object.keys(broken).length > 0 ? { ok: false, problem: broken } : ok(checked)
}

function checkCanonical(look: Book['look'], plain: Book['look'], wanted: Field, value: Value): Result<Value> {
  const { control, read } = kindOf(wanted.kind)
  // Blanks are nothing here as they are in the form: a must isn't met by a space.
  if (value === null || isBlank(value)) return checkValue(control === 'tick' ? '0' : null, wanted, look)
  const canonical = read(value, wanted, plain)
  return canonical.ok ? checkValue(canonical.value, wanted, look) : fail(canonical.problem)
}

/** What the form of a new record starts with. */
export function startValues(book: Book, tableId: string, now: Now): Values {
  return Object.fromEntries(tableOf(book, tableId).fields.map((field) => [field.id, startValue(field, now)]))
}
