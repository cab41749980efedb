import { type Book, type Edit, applyEdit, type Table, tableOf } from '../book'
import { storeTree, readSource, writtenName } from '../expressions'
import { capital, singular } from '../words'
import type { FormLabel } from './form-label'

/** A field of a form that is calculated: as it is written, and in words. */
export interface FormTotal {
  readonly table: string
  readonly name: string
  readonly holds: 'gathered' | 'workedOut'
  readonly source: string
  readonly words: string
}

const sums = /^(sub-?total|net total|total|grand total|gross total|sum)$/i
const wholes = /^(total|grand total|gross total)$/i
const taxes = /^(vat|tax)\b/i
const owed = /^(balance|amount due|to pay)\b/i
export const paidWords = /^(paid|amount paid|paid so far)$/i
const amounts = /^(amount|line total)$/i
const many = /^(qty|quantity|hours)$/i
const each = /^(price each|unit price|price|rate)$/i

/** The name of the table of a form, and that of its lines. */
export const formNames = (form: string) => {
  const name = capital(singular(form.trim()))
  return { name, lines: `${name} line` }
}

/**
 * What of a form's labels is calculated, in the order in which it can be: an amount of each line, sums of them, what is
 * left to pay. What can't be, because the labels don't say from what, is left out here and typed.
 */
export function formTotals(form: string, labels: readonly FormLabel[]): FormTotal[] {
  const { name, lines } = formNames(form)
  const named = (of: FormLabel['of'], like: RegExp) => labels.find((label) => label.of === of && like.test(label.name))
  const written = (label: FormLabel) => writtenName(capital(label.name))
  const [quantity, price, amount] = [named('lines', many), named('lines', each), named('lines', amounts)]
  const found: FormTotal[] = []
  if (quantity && price && amount)
    found.push({
      table: lines,
      name: capital(amount.name),
      holds: 'workedOut',
      source: `${written(quantity)} * ${written(price)}`,
      words: `${capital(quantity.name)} × ${capital(price.name)}`,
    })
  const of = (label: FormLabel) => `${writtenName(lines)}.${written(label)}`
  const lineAmount = amount ? of(amount) : quantity && price ? `${of(quantity)} * ${of(price)}` : undefined
  if (!lineAmount) return found
  const added = `total of ${amount ? capital(amount.name) : `${capital(quantity!.name)} × ${capital(price!.name)}`}`
  const tax = named('total', taxes)
  const totals = labels.filter((label) => label.of === 'total' && sums.test(label.name))
  for (const label of totals) {
    const whole = tax && wholes.test(label.name)
    const sum = `SUM(${lineAmount})`
    found.push({
      table: name,
      name: capital(label.name),
      holds: whole ? 'workedOut' : 'gathered',
      source: whole ? `COALESCE(${sum}, 0) + COALESCE(${written(tax)}, 0)` : sum,
      words: whole ? `${added}, and ${capital(tax.name)}` : added,
    })
  }
  const total = totals.findLast((label) => wholes.test(label.name)) ?? totals.at(-1)
  const paid = named('form', paidWords)
  for (const label of labels.filter((one) => one.of === 'total' && owed.test(one.name)))
    if (total)
      found.push({
        table: name,
        name: capital(label.name),
        holds: 'workedOut',
        source: `COALESCE(${written(total)}, 0)${paid ? ` - COALESCE(${written(paid)}, 0)` : ''}`,
        words: `${capital(total.name)}${paid ? ` less ${capital(paid.name)}` : ''}`,
      })
  return found
}

/** The edits that add what is calculated to the tables of a form, once these are there. What doesn't fit them is typed as money. */
export function totalEdits(book: Book, totals: readonly FormTotal[], freshId: () => string): Edit[] {
  const edits: Edit[] = []
  let now = book
  const carryOut = (edit: Edit): boolean => {
    const made = applyEdit(now, edit)
    if (!made.ok) return false
    now = made.value.book
    edits.push(edit)
    return true
  }
  const called = (table: Table, name: string) =>
    table.fields.find((field) => field.name.toLowerCase() === name.toLowerCase())
  for (const { table: wanted, name, holds, source } of totals) {
    const table = now.tables.find((one) => one.name.toLowerCase() === wanted.toLowerCase())
    if (!table || called(table, name)) continue
    const id = freshId()
    if (!carryOut({ kind: 'addField', table: table.id, id, name, holds })) continue
    const own = tableOf(now, table.id)
    const read = readSource(now, own, called(own, name)!, source)
    const kept = 'tree' in read && carryOut({ kind: 'changeField', field: id, to: { source: storeTree(read.tree) } })
    if (!kept) carryOut({ kind: 'changeField', field: id, to: { kind: 'money' } })
  }
  return edits
}
