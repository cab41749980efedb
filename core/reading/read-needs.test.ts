import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { briefsIn } from '@/tests/briefs/brief'
import { f1, score, sum } from '@/tests/briefs/score'
import { read, tableIn, tie } from '@/tests/support/plain-words'
import { splitNeeds } from '../needs'
import { readNeeds } from '.'
import { runs } from '@/tests/support/runs'

describe('facts', () => {
  test.each([
    ['a sentence', 'Each boat has a name, a length in metres and a registration number.'],
    ['what we record', 'For each boat we record the name, the length and its registration number.'],
    ['what is recorded', 'The name, the length and the registration number of each boat must be recorded.'],
    ['a heading', 'Boats: name, length, registration number'],
    ['brackets', 'Boat (name, length, registration number)'],
    ['a possessor', 'We keep the boat’s name, length and registration number.'],
    ['the system', 'For every boat the system should store the name, length and registration number.'],
  ])('are read from %s', (_what, need) => {
    expect(tableIn(read(need), 'Boat')).toEqual({ Name: 'text', Length: 'decimal', 'Registration number': 'code' })
  })

  test.each([
    ['a date of birth', 'Date of birth', 'date'],
    ['an hourly wage', 'Hourly wage', 'money'],
    ['a number of seats', 'Number of seats', 'integer'],
    ['a date and time', 'Date and time', 'datetime'],
    ['a web site', 'Web site', 'url'],
    ['the date they joined', 'Date joined', 'date'],
    ['the day it went out', 'Day out', 'date'],
    ['a gearbox (manual, automatic)', 'Gearbox', 'choice'],
    ['a photo', 'Photo', 'file'],
    ['notes', 'Notes', 'longtext'],
    ['an e-mail address', 'E-mail address', 'email'],
    ['a best before date', 'Best before date', 'date'],
  ])('“%s” is kept as %s', (words, name, kind) => {
    expect(tableIn(read(`Each thing has a title and ${words}.`.replace('thing', 'machine')), 'Machine')).toMatchObject({
      [name]: kind,
    })
  })

  test('what something has several of becomes rows of their own', () => {
    const reading = read('A contact has a name and one or more phone numbers.')
    expect(tableIn(reading, 'Contact phone number')).toEqual({ 'Phone number': 'phone' })
    expect(tie(reading, 'Contact', 'Contact phone number')).toMatchObject({ kind: '1-n', mandatory: true })
  })

  test('words joined by “or” are a choice, whether told of the thing or of a fact', () => {
    const reading = readNeeds([
      'Each job has a date. A job is booked, done or cancelled.',
      'Each pupil has a level, which is low or high.',
    ])
    expect(reading.tables[0]?.fields.find((field) => field.kind === 'choice')?.choices).toEqual([
      'booked',
      'done',
      'cancelled',
    ])
    expect(reading.tables[1]?.fields[0]).toMatchObject({ name: 'Level', kind: 'choice', choices: ['low', 'high'] })
  })
})

describe('ties', () => {
  test.each([
    [
      'belongs to',
      'Each dog belongs to one owner. Each owner has a name. A dog has a name.',
      'Owner',
      'Dog',
      '1-n',
      true,
    ],
    [
      'may have several',
      'An owner may have several dogs, and a dog belongs to exactly one owner.',
      'Owner',
      'Dog',
      '1-n',
      true,
    ],
    [
      'told from both sides',
      'A dog can take several courses and a course is taken by many dogs.',
      'Dog',
      'Course',
      'n-n',
      false,
    ],
    [
      'counted from the object',
      'Several dogs can take part in one show. Each show has a date. A dog comes to many shows.',
      'Show',
      'Dog',
      'n-n',
      false,
    ],
    [
      'may have none',
      'Each ticket has a price. Each member has a name. A ticket may have no member.',
      'Member',
      'Ticket',
      '1-n',
      false,
    ],
  ])('%s', (_what, need, from, to, kind, mandatory) => {
    expect(tie(read(need), from, to)).toMatchObject({ kind, mandatory })
  })

  test.each([
    ['No crate may hold more than twelve jars.', 12],
    ['A crate may hold at most 12 jars.', 12],
    ['Up to twelve jars fit in one crate.', 12],
    ['A crate holds between 4 and 12 jars.', 12],
  ])('a limit: %s', (need, limit) => {
    expect(tie(read('Each crate has a number. Each jar has a weight.', need), 'Crate', 'Jar')?.limit).toBe(limit)
  })

  test('“one of them leads” is a limit of one with its fact', () => {
    const reading = readNeeds([
      'Each visit has a date. Each technician has a name. One or more technicians go on a visit; one of them leads.',
    ])
    expect(reading.ties[0]).toMatchObject({ kind: 'n-n', fields: [{ name: 'Leads', kind: 'tick' }] })
  })

  test('facts about two things together stand on their tie', () => {
    const reading = read(
      'A parcel contains several items, with the quantity of each. Each item has a name. A parcel has a date.',
    )
    expect(tie(reading, 'Parcel', 'Item')).toMatchObject({
      kind: 'n-n',
      fields: [{ name: 'Quantity', kind: 'integer' }],
    })
  })

  test('what happens between two things is the table it is written down in', () => {
    const reading = read(
      'Members borrow tools. A member has a name. A tool has a maker. For each loan we note the day it went out.',
    )
    expect(tie(reading, 'Member', 'Loan')).toMatchObject({ kind: '1-n', mandatory: true })
    expect(tie(reading, 'Tool', 'Loan')).toMatchObject({ kind: '1-n', mandatory: true })
    expect(tie(reading, 'Member', 'Tool')).toBeUndefined()
  })

  test('a thing and its kind are two', () => {
    const reading = read(
      'Each boat type has a name and a number of seats. There are several boats of each type; a boat has a colour.',
    )
    expect(tie(reading, 'Boat type', 'Boat')).toMatchObject({ kind: '1-n' })
  })
})

test('questions are kept apart and say which tables they need', () => {
  const reading = read(
    'Each visit is at one premises. Each premises has an address. A visit has a date.',
    'List all visits of a premises.',
    'We would like to see which premises were not visited this year, and how many visits there were.',
  )
  expect(reading.questions).toEqual([
    { text: 'List all visits of a premises', tables: ['Visit', 'Premises'] },
    { text: 'which premises were not visited this year', tables: ['Premises', 'Visit'] },
    { text: 'how many visits there were', tables: ['Visit'] },
  ])
  expect(reading.tables.map((table) => table.name)).toEqual(['Visit', 'Premises'])
})

test('two names for one thing make one table', () => {
  const reading = read('A member, also called a friend, has a name. Each friend has an address.')
  expect(reading.tables).toHaveLength(1)
  expect(tableIn(reading, 'Member')).toMatchObject({ Name: 'text', Address: 'text' })
})

test('chatter, greetings and the firm itself make no tables', () => {
  const reading = read(
    'Hi Oona,',
    'We are a small bakery and everything is in two notebooks.',
    'Thanks for your help!',
    'Kind regards',
    'Averil',
  )
  expect(reading.tables).toEqual([])
})

test('tags, addresses and long strings of signs are no things', () => {
  const reading = read('<b>Each</b> dog@home has a name. Each dog has a {colour}. Each __proto__ has a town.')
  expect(reading.tables.map((table) => table.name)).toEqual(['Dog'])
})

test('what somebody is called where they play a part is that thing, in one sentence or another', () => {
  for (const role of [
    'A skipper is a crew member.',
    'A skipper is a member of our crew.',
    'Skippers are crew members.',
  ]) {
    const reading = read(`Each crossing has a date and a skipper. ${role} Crew members have a name.`)
    expect(reading.tables.map(({ name }) => name)).toEqual(['Crossing', 'Crew member'])
    expect(reading.links).toMatchObject([{ from: 'Crew member', to: 'Crossing', kind: '1-n' }])
  }
})

test('what is made by somebody, or is for one thing, is written down itself', () => {
  const made = read('A booking is made by a school, for a crossing. A crossing has a date.')
  expect(made.links).toMatchObject([{ from: 'Crossing', to: 'Booking', kind: '1-n' }])
  const ticket = read('Passengers buy tickets; one ticket is for one crossing. Crossings have a date.')
  expect(ticket.links).toMatchObject([{ from: 'Crossing', to: 'Ticket', kind: '1-n' }])
})

test.each([
  ['No more than two bookings per crossing.', 2],
  ['At most six bookings for each crossing.', 6],
  ['A maximum of 4 bookings on a crossing.', 4],
])('%s is a limit', (limit, most) => {
  const { links } = read(`A booking is for one crossing and has a number of seats. A crossing has a date. ${limit}`)
  expect(links).toMatchObject([{ from: 'Crossing', to: 'Booking', limit: most }])
})

test('bullets in small letters, counts said behind, samples of something', () => {
  const bullets = read('- market days (date, weather, who was in charge)')
  expect(bullets.tables).toMatchObject([
    { name: 'Market day', fields: [{ name: 'Date' }, { name: 'Weather' }, { name: 'Person in charge' }] },
  ])
  const sometimes = read(
    'A session is handled by an engineer, sometimes two. A session has a date. Engineers have a name.',
  )
  expect(sometimes.links).toMatchObject([{ kind: 'n-n', mandatory: true }])
  const sample = read('An accession is a sample of one species, and has a date. Each species has a family.')
  expect(sample.links).toMatchObject([{ from: 'Species', to: 'Accession', kind: '1-n', mandatory: true }])
})

test('a number is the book’s to give only where it numbers the thing itself', () => {
  const { tables } = read(
    'Each invoice has an invoice number and a date. Each pilot has a name and a certificate number.',
  )
  expect(tables.map(({ fields }) => fields.map(({ kind }) => kind))).toEqual([
    ['running', 'date'],
    ['text', 'code'],
  ])
})

test('a question names its tables by what happened there, or by a fact kept there', () => {
  const { questions } = read(
    'Every boat has a name and a licence date. A crossing is made by one boat and has a date. See how many people crossed each month. List which licences run out soon.',
  )
  expect(questions.map(({ tables }) => tables)).toEqual([['Crossing'], ['Boat']])
})

test('what the words leave open is asked', () => {
  const { open } = read('A customer places several orders. An order has a date. A customer has a name.')
  expect(open).toContain('Can one order have more than one customer?')
})

test('every proposal rests on words of its need', () => {
  const needs = ['Each dog belongs to one owner.', 'An owner has a name and a phone.', 'A dog has a name.']
  for (const table of readNeeds(needs).tables) {
    for (const { need, start, end } of [...table.evidence, ...table.fields.flatMap((field) => field.evidence)]) {
      expect(needs[need]!.slice(start, end)).toMatch(/\w/)
    }
  }
})

test('the briefs are read as well as they were', () => {
  const total = (folder: 'texts' | 'held-back') =>
    sum(briefsIn(folder).map((brief) => score(brief, readNeeds(splitNeeds(brief.text))).scores))
  const [known, held] = [total('texts'), total('held-back')]
  expect(f1(known.tables)).toBeGreaterThan(0.97)
  expect(f1(known.fields)).toBeGreaterThan(0.95)
  expect(f1(known.ties)).toBeGreaterThan(0.93)
  expect(f1(held.tables)).toBeGreaterThan(0.88)
  expect(f1(held.fields)).toBeGreaterThan(0.86)
  expect(f1(held.ties)).toBeGreaterThan(0.76)
})

test('any text is read, twice the same, without a crash', () => {
  const word = fc.constantFrom(
    'each',
    'a',
    'visit',
    'has',
    'or',
    'more',
    'one',
    '(',
    ')',
    ':',
    ',',
    'of',
    'them',
    'which',
    'we',
    'note',
    'is',
    'not',
    '“x”',
    '🐿️',
    'שלום',
    '--',
    "o'",
    '12',
  )
  const text = fc.array(fc.oneof(word, fc.string({ maxLength: 8 })), { maxLength: 25 }).map((words) => words.join(' '))
  fc.assert(
    fc.property(fc.array(text, { maxLength: 4 }), (needs) => {
      const first = readNeeds(needs)
      expect(readNeeds(needs)).toEqual(first)
    }),
    runs(150),
  )
})
