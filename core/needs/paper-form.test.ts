import { expect, test } from 'vitest'
import { emptyBook, faultsOf, type Field, applyEdit } from '../book'
import { writtenStored } from '../expressions'
import { plainLook } from '../kinds'
import { acceptEdits, formTotals, proposalsFor, readForm, readLabels, readStarter, starters, totalEdits } from '.'

let last = 0
const accepted = (reading: Parameters<typeof proposalsFor>[1]) => {
  const book = emptyBook('Test', plainLook)
  const edits = acceptEdits(book, proposalsFor(book, reading).all, () => `f${last++}`)
  const made = applyEdit(book, { kind: 'together', say: 'All', edits })
  if (!made.ok) throw new Error(made.problem.kind)
  return made.value.book
}

const bill = 'Bill number\nDate:\nCustomer name ____\nCustomer address\nQuantity\nDescription\nPrice each\nVAT\nTotal'

test('a bill’s labels are guessed to be of the bill, its customer, its lines or its totals', () => {
  expect(readLabels(bill).map(({ name, of, party }) => [name, of, party])).toEqual([
    ['Bill number', 'form', undefined],
    ['Date', 'form', undefined],
    ['Name', 'party', 'Customer'],
    ['Address', 'party', 'Customer'],
    ['Quantity', 'lines', undefined],
    ['Description', 'lines', undefined],
    ['Price each', 'lines', undefined],
    ['VAT', 'total', undefined],
    ['Total', 'total', undefined],
  ])
})

test('a label that begins with the name of a table that there is is a fact about that', () => {
  const read = readLabels('Passenger name\nLuggage tag number\nSeat', ['Passenger', 'Luggage tag', 'Trip'])
  expect(read.map(({ name, of, party }) => [name, of, party])).toEqual([
    ['Name', 'party', 'Passenger'],
    ['Number', 'party', 'Luggage tag'],
    ['Seat', 'form', undefined],
  ])
})

test('labels are taken once, cut to what a name may be, without signs alone', () => {
  expect(readLabels(`Total\n:::\nName\nname ____\n- 1) Town\n${'z'.repeat(99)}`).map(({ label }) => label)).toEqual([
    'Total',
    'name',
    'Town',
    'z'.repeat(60),
  ])
  expect(readLabels(' \n;; ')).toEqual([])
})

/** The tables that come of a form's labels, with their fields and what is calculated. */
function tablesOf(form: string, typed: string) {
  const labels = readLabels(typed)
  const typedOnly = accepted(readForm(form, labels))
  const all = totalEdits(typedOnly, formTotals(form, labels), () => `t${last++}`)
  const made = all.length > 0 ? applyEdit(typedOnly, { kind: 'together', say: 'Totals', edits: all }) : undefined
  if (made && !made.ok) throw new Error(made.problem.kind)
  const book = made?.value.book ?? typedOnly
  expect(faultsOf(book)).toEqual([])
  const said = (field: Field) =>
    `${field.name} ${field.kind}${field.source === undefined ? '' : `: ${writtenStored(book, field.source)}`}`
  return { book, tables: book.tables.map((table) => [table.name, table.fields.map((field) => said(field))]) }
}

test('a bill becomes its header, its party and its lines, and what can be calculated is', () => {
  const { book, tables } = tablesOf('bills', bill)
  expect(tables).toEqual([
    ['Customer', ['Customer number running', 'Name line', 'Address line']],
    [
      'Bill',
      [
        'Bill number running',
        'Customer link',
        'Date date',
        'VAT money',
        'Total workedOut: COALESCE(SUM("Bill line".Quantity * "Bill line"."Price each"), 0) + COALESCE(VAT, 0)',
      ],
    ],
    [
      'Bill line',
      ['Bill line number running', 'Bill link', 'Quantity whole', 'Description passage', 'Price each money'],
    ],
  ])
  expect(book.links.find((link) => link.onRemove === 'remove')?.many).toBe(book.tables[2]?.id)
})

test('an amount of each line is calculated, the total is theirs, and what is left to pay is less what is paid', () => {
  const { tables } = tablesOf('Bill', 'Date\nQuantity\nPrice each\nAmount\nTotal\nPaid\nBalance')
  expect(tables[0]![1]).toEqual([
    'Bill number running',
    'Date date',
    'Paid money',
    'Total gathered: SUM("Bill line".Amount)',
    'Balance workedOut: COALESCE(Total, 0) - COALESCE(Paid, 0)',
  ])
  expect(tables[1]![1]).toContain('Amount workedOut: Quantity * "Price each"')
})

test('what is calculated is said in words before it is made', () => {
  const said = (typed: string) => formTotals('Bill', readLabels(typed)).map(({ name, words }) => `${name}: ${words}`)
  expect(said(bill)).toEqual(['Total: total of Quantity × Price each, and VAT'])
  expect(said('Quantity\nPrice each\nAmount\nTotal\nPaid\nBalance')).toEqual([
    'Amount: Quantity × Price each',
    'Total: total of Amount',
    'Balance: Total less Paid',
  ])
})

test('a total that the labels don’t say from what is typed', () => {
  expect(tablesOf('Slip', 'Date\nTotal\nAmount due').tables).toEqual([
    ['Slip', ['Slip number running', 'Date date', 'Total money', 'Amount due money']],
  ])
})

test('every starter makes a sound table of its usual fields', () => {
  for (const { name, fields } of starters) {
    const book = accepted(readStarter(name, fields))
    expect(faultsOf(book)).toEqual([])
    expect(book.tables[0]?.fields).toHaveLength(fields.length + 1)
  }
})
