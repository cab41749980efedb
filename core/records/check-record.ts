import { type Book, type Field, mustHold, type Table, tableOf } from '../book'
import { checkValue, kindOf, type Now, plainLook, readValue, startValue, type Value } from '../kinds'
import { fail, ok, type Problem, type Result } from '../words'

/** Values by field id. */
export type Values = Readonly<Record<string, Value>>
/** Problems by field id. */
export type Problems = Readonly<Record<string, Problem>>

/** A field as its table asks for it: part of the key means it must be filled. */
const asked = (table: Table, field: Field): Field => (mustHold(table, field) ? { ...field, must: true } : field)

/** Reads what was typed into one field of a form. Link fields hold a reference and are passed on. */
export const readTyped = (book: Book, table: Table, field: Field, typed: string, now?: Now): Result<Value> =>
  readValue(typed, asked(table, field), book.look, now)

/** The second reading, on the server: canonical values checked by the same kinds. */
export function checkRecord(book: Book, tableId: string, values: Values): Result<Values, Problems> {
  const table = tableOf(book, tableId)
  const checked: Record<string, Value> = {}
  const problems: Record<string, Problem> = {}
  for (const field of table.fields) {
    const given = kindOf(field.kind).control === 'given'
    if (!(field.id in values) || given) continue
    const read = checkCanonical(book, table, field, values[field.id] ?? null)
    if (read.ok) checked[field.id] = read.value
    else problems[field.id] = read.problem
  }
  return Object.keys(problems).length > 0 ? { ok: false, problem: problems } : ok(checked)
}

function checkCanonical(book: Book, table: Table, field: Field, value: Value): Result<Value> {
  const wanted = asked(table, field)
  if (value === null || value === '')
    return checkValue(kindOf(field.kind).control === 'tick' ? '0' : null, wanted, book.look)
  // Canonical text reads in the plain style, whatever style the book shows.
  const read = kindOf(field.kind).read(value, wanted, { ...book.look, ...plainStyle })
  return read.ok ? checkValue(read.value, wanted, book.look) : fail(read.problem)
}

const plainStyle = { numberStyle: plainLook.numberStyle, dateStyle: plainLook.dateStyle }

/** What the form of a new record starts with. */
export function startValues(book: Book, tableId: string, now: Now): Values {
  return Object.fromEntries(tableOf(book, tableId).fields.map((field) => [field.id, startValue(field, now)]))
}
