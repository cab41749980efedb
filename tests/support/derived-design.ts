import { type Book, type Edit, emptyBook, findField, tableOf } from '@/core/book'
import { storeTree, readExpression } from '@/core/expressions'
import { plainLook } from '@/core/kinds'
import { wordProblem } from '@/core/words'
import { field, tie } from './edits'
import { made } from './made'

/** Expressions as the editor would keep them, made on the book that the edits before them made. */
export class Designing {
  readonly edits: Edit[] = []
  book: Book = emptyBook('Derived', plainLook)

  do(...edits: readonly Edit[]): this {
    this.book = made(this.book, ...edits)
    this.edits.push(...edits)
    return this
  }

  tree(table: string, source: string) {
    const read = readExpression(this.book, tableOf(this.book, table), source)
    if ('problem' in read) throw new Error(`${source}: ${wordProblem(read.problem)}`)
    return storeTree(read.tree)
  }

  derived(table: string, id: string, name: string, holds: string, source: string, freezes?: string): this {
    const to = { source: this.tree(table, source), ...(freezes && { freezes: this.tree(table, freezes) }) }
    return this.do(...field(table, id, name, holds, to))
  }

  /** Says anew what a field is made from. */
  source(id: string, source: string): this {
    const { table } = findField(this.book, id)!
    return this.do({ kind: 'changeField', field: id, to: { source: this.tree(table.id, source) } })
  }
}

/** Bills with lines, a price list, customers with a town, payments: nothing derived yet. */
export const billingTables = (): Designing =>
  new Designing().do(
    { kind: 'addTable', id: 'customer', name: 'Customer', keyField: 'customer-key' },
    ...field('customer', 'name', 'Name', 'line'),
    ...field('customer', 'town', 'Town', 'line'),
    { kind: 'addTable', id: 'item', name: 'Item', keyField: 'item-key' },
    ...field('item', 'what', 'What', 'line'),
    ...field('item', 'list-price', 'List price', 'money'),
    { kind: 'addTable', id: 'bill', name: 'Bill', keyField: 'bill-key' },
    ...field('bill', 'on', 'Issued on', 'date'),
    ...field('bill', 'state', 'State', 'choice', {
      choices: ['open', 'sent', 'paid'].map((word) => ({ id: word, word })),
    }),
    { kind: 'addTable', id: 'line', name: 'Bill line', keyField: 'line-key' },
    ...field('line', 'quantity', 'Quantity', 'whole'),
    { kind: 'addTable', id: 'payment', name: 'Payment', keyField: 'payment-key' },
    ...field('payment', 'amount', 'Amount', 'money'),
    tie('customer', 'bill', { link: 'bill-customer-link', field: 'bill-customer' }),
    tie('bill', 'line', { link: 'line-bill-link', field: 'line-bill' }),
    { kind: 'changeLink', link: 'line-bill-link', onRemove: 'remove' },
    tie('item', 'line', { link: 'line-item-link', field: 'line-item' }),
    tie('bill', 'payment', { link: 'payment-bill-link', field: 'payment-bill' }),
  )

/** The same with every derived kind. */
export const billing = (): Designing =>
  billingTables()
    .derived('bill', 'bill-town', 'Town of customer', 'borrowed', 'Customer.Town')
    .derived('line', 'price', 'Price each', 'copied', 'Item."List price"')
    .derived('line', 'line-amount', 'Line amount', 'workedOut', 'Quantity * "Price each"')
    .derived('bill', 'lines', 'Lines', 'gathered', 'COUNT("Bill line")')
    .derived('bill', 'total', 'Total', 'gathered', 'SUM("Bill line"."Line amount")')
    .derived('bill', 'printed', 'Printed total', 'workedOut', 'COALESCE(Total, 0)', "State = 'sent'")
    .derived('bill', 'paid', 'Paid', 'gathered', 'SUM(Payment.Amount)')
    .derived('bill', 'owed', 'Still owed', 'workedOut', 'COALESCE(Total, 0) - COALESCE(Paid, 0)')
    .derived('customer', 'owes', 'Owes in all', 'gathered', 'SUM(Bill."Still owed")')
