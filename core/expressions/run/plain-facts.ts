import { type Book, findLink, linkOf, type Table, tableOf } from '../../book'
import { plainLook, readValue, type Value } from '../../kinds'
import { fail, type Json, ok, type Result } from '../../words'
import type { Facts } from './facts'

type Plain = { readonly [name: string]: Json }

const isPlain = (json: Json | undefined): json is Plain =>
  typeof json === 'object' && json !== null && !Array.isArray(json)

/**
 * A record as other programs write it: values by the names on screen, the record a link leads to as an
 * object of its own, the rows that hang on it as a list under their table's name. What isn't told is blank.
 */
export function plainFacts(book: Book, table: Table, json: Json): Result<Facts> {
  if (!isPlain(json))
    return fail({ kind: 'in-own-words', words: `A record of ${table.name} is written as {"Field": "value"}.` })
  const values = new Map<string, Value>()
  const linked = new Map<string, Facts>()
  const rows = new Map<string, readonly Facts[]>()
  for (const [name, given] of Object.entries(json)) {
    const field = table.fields.find((one) => one.name.toLowerCase() === name.toLowerCase())
    const hanging = book.links.filter(
      (link) => link.one === table.id && tableOf(book, link.many).name.toLowerCase() === name.toLowerCase(),
    )
    if (field?.kind === 'link' && isPlain(given)) {
      const target = plainFacts(book, tableOf(book, linkOf(book, field.id).one), given)
      if (!target.ok) return target
      linked.set(field.id, target.value)
      values.set(field.id, '1')
    } else if (field) {
      const typed = given === null ? '' : typeof given === 'boolean' ? (given ? 'yes' : 'no') : String(given)
      const read = readValue(typed, { ...field, must: false, kind: field.kind }, { ...book.look, ...canonical })
      if (!read.ok) return read
      values.set(field.id, read.value)
    } else if (hanging.length > 0 && Array.isArray(given)) {
      const all: Facts[] = []
      for (const row of given as readonly Json[]) {
        const facts = plainFacts(book, tableOf(book, hanging[0]!.many), row)
        if (!facts.ok) return facts
        all.push(facts.value)
      }
      for (const link of hanging) rows.set(link.id, all)
    } else return fail({ kind: 'in-own-words', words: `${table.name} has no “${name}”.` })
  }
  return ok({
    value: (id) => values.get(id) ?? (table.fields.find((field) => field.id === id)?.kind === 'tick' ? '0' : null),
    linked: (id) => linked.get(id),
    rows: (id) => (findLink(book, id) ? (rows.get(id) ?? []) : []),
  })
}

const canonical = { numberStyle: plainLook.numberStyle, dateStyle: 'year-month-day' } as const
