import { expect, test } from 'vitest'
import { read, tableIn, tie } from '@/tests/support/plain-words'

test('what each is of, from when till when, and with what, makes a table between others', () => {
  const reading = read(
    'Each hire is of one boat by one hirer, from a time till a time, with a deposit and a price.',
    'A boat has a name and how many seats it has.',
    'A hirer leaves their name.',
  )
  expect(tableIn(reading, 'Hire')).toEqual({
    'Start time': 'time',
    'End time': 'time',
    Deposit: 'money',
    Price: 'money',
  })
  expect(tableIn(reading, 'Boat')).toEqual({ Name: 'text', Seats: 'integer' })
  expect(tie(reading, 'Boat', 'Hire')).toBeDefined()
  expect(tie(reading, 'Hirer', 'Hire')).toBeDefined()
})

test('rows that only their owner tells apart are a table by its name', () => {
  const reading = read(
    'An order has a number, a date and its lines, each with a material, how many kilos and the price.',
  )
  expect(tableIn(reading, 'Order')).toEqual({ Number: 'code', Date: 'date' })
  expect(tableIn(reading, 'Order line')).toEqual({ Material: 'text', Kilos: 'decimal', Price: 'money' })
  expect(tie(reading, 'Order', 'Order line')).toMatchObject({ kind: '1-n', mandatory: true })
})

test('what something is made of, and how much of each, is between the two', () => {
  const reading = read(
    'A glaze has a name and a recipe of several materials, with the grams of each.',
    'A material has a name and a price.',
  )
  expect(tie(reading, 'Glaze', 'Material')).toMatchObject({ kind: 'n-n', fields: [{ name: 'Grams', kind: 'decimal' }] })
})

test('where something stands is a tie, also after its facts', () => {
  const reading = read('A shelf has a number and stands in one room. A room has a name.')
  expect(tableIn(reading, 'Shelf')).toEqual({ Number: 'code' })
  expect(tie(reading, 'Room', 'Shelf')).toMatchObject({ kind: '1-n', mandatory: true })
})

test('what is told of each of them makes a thing, whatever it is called', () => {
  const reading = read('Each firing of the kiln is on a day, at a temperature, and holds pieces of several members.')
  expect(tableIn(reading, 'Firing')).toMatchObject({ Day: 'date', Temperature: 'decimal' })
})

test('what is done again and again and noted down is a thing, with who did it', () => {
  const reading = read(
    'A boat has a name and a length. Every boat is checked each spring; we note the day, who did it and what was found.',
  )
  expect(tableIn(reading, 'Boat')).toEqual({ Name: 'text', Length: 'decimal' })
  expect(tableIn(reading, 'Check')).toEqual({ Day: 'date', 'Done by': 'text', Found: 'longtext' })
  expect(tie(reading, 'Boat', 'Check')).toBeDefined()
  expect(tableIn(read('Each shelf has a number, and we keep who had it before.'), 'Shelf')).toEqual({ Number: 'code' })
})

test('an invoice with facts of its own is a thing; how many of a part stands between', () => {
  const reading = read(
    'For each repair we note what is wrong and when it is to be ready.',
    'A repair uses several parts, with how many and the price charged. A part has a name.',
    'Every repair gets an invoice with an invoice number, a date and whether it is paid.',
  )
  expect(tableIn(reading, 'Repair')).toEqual({ 'What is wrong': 'longtext', Ready: 'date' })
  expect(tableIn(reading, 'Invoice')).toEqual({ 'Invoice number': 'running', Date: 'date', Paid: 'boolean' })
  expect(tie(reading, 'Repair', 'Part')?.fields).toEqual([
    { name: 'Quantity', kind: 'integer' },
    { name: 'Price charged', kind: 'money' },
  ])
})

test('what is lent goes through the hires that are told of', () => {
  const reading = read(
    'A customer has a name. Bikes are lent to customers. A bike has a size.',
    'Each hire has a day out and a deposit. A hire is of one bike by one customer.',
  )
  expect(reading.links.map(({ from, to, kind }) => `${from} ${kind} ${to}`).sort()).toEqual([
    'Bike 1-n Hire',
    'Customer 1-n Hire',
  ])
})
