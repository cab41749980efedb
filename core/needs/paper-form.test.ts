import { expect, test } from 'vitest'
import { emptyBook, faultsOf, make } from '../book'
import { plainLook } from '../kinds'
import { acceptEdits, proposalsFor, readForm, readLabels, readStarter, starters } from '.'

let last = 0
const accepted = (reading: Parameters<typeof proposalsFor>[1]) => {
  const book = emptyBook('Test', plainLook)
  const edits = acceptEdits(book, proposalsFor(book, reading).all, () => `f${last++}`)
  const made = make(book, { kind: 'together', say: 'All', edits })
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

test('a bill becomes its header, its party and its lines; totals are not kept', () => {
  const book = accepted(readForm('bills', readLabels(bill)))
  expect(faultsOf(book)).toEqual([])
  expect(book.tables.map((table) => [table.name, table.fields.map((field) => `${field.name} ${field.kind}`)])).toEqual([
    ['Customer', ['Customer number running', 'Name line', 'Address line']],
    ['Bill', ['Bill number running', 'Customer link', 'Date date']],
    [
      'Bill line',
      ['Bill line number running', 'Bill link', 'Quantity whole', 'Description passage', 'Price each money'],
    ],
  ])
  expect(book.links.find((link) => link.onRemove === 'remove')?.many).toBe(book.tables[2]?.id)
})

test('every starter makes a sound table of its usual fields', () => {
  for (const { name, fields } of starters) {
    const book = accepted(readStarter(name, fields))
    expect(faultsOf(book)).toEqual([])
    expect(book.tables[0]?.fields).toHaveLength(fields.length + 1)
  }
})
