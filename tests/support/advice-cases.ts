import type { Edit } from '@/core/book'
import type { KindName } from '@/core/kinds'
import { tie } from './edits'

type Settings = Extract<Edit, { kind: 'changeField' }>['to']

/** A table by name with a running key, and its fields: "Name line". */
export function table(name: string, ...fields: readonly (string | readonly [string, Settings])[]): Edit[] {
  const id = name.toLowerCase()
  return [
    { kind: 'addTable', id, name, keyField: `${id}-key` },
    ...fields.flatMap((field): Edit[] => {
      const [words, settings] = typeof field === 'string' ? [field, undefined] : field
      const at = words.lastIndexOf(' ')
      const own = `${id}_${words.slice(0, at).toLowerCase().replace(/\W/g, '-')}`
      const add: Edit = {
        kind: 'addField',
        table: id,
        id: own,
        name: words.slice(0, at),
        holds: words.slice(at + 1) as KindName,
      }
      return settings ? [add, { kind: 'changeField', field: own, to: settings }] : [add]
    }),
  ]
}

/** Each `many` points to one `one`. */
const link = (one: string, many: string, more: Parameters<typeof tie>[3] = {}) =>
  tie(
    one,
    many,
    { link: `${one}--${many}`, field: `${many}__${one}`, table: `${one}-${many}` },
    { bMust: true, ...more },
  )
const words = (...choices: string[]): Settings => ({ choices: choices.map((word, at) => ({ id: `c${at}`, word })) })
const client = table('Client', 'Name line', 'Town line')
const job = table('Job', 'Due on date', 'Subject line')
const need = (part: string): Edit[] => [
  { kind: 'addNeeds', needs: [{ id: `need-${part}`, text: 'We keep clients.' }] },
  { kind: 'tieNeed', need: `need-${part}`, part, met: true },
]

const limited = (all: number, some: number): Edit[] => [
  ...client,
  ...table('Job', 'Subject line', 'Urgent tick'),
  link('client', 'job'),
  {
    kind: 'limitLink',
    link: 'client--job',
    limits: [
      { id: 'all', most: all },
      { id: 'some', most: some, when: { field: 'job_urgent', is: '1' } },
    ],
  },
]

/** A rule that compares the hours with what it is given, in the words "Give the hours." */
const ruled = (with_: string | number, operator = '=', id = 'rule'): Edit => ({
  kind: 'addRule',
  id,
  table: 'job',
  words: 'Give the hours.',
  says: {
    kind: 'holds',
    tree: {
      kind: 'binary',
      operator,
      left: { kind: 'fact', over: [], field: 'job_hours', type: { is: 'exact', whole: 10, scale: 0 } },
      right: {
        kind: 'literal',
        value: String(with_),
        type: typeof with_ === 'number' ? { is: 'exact', whole: 1, scale: 0 } : { is: 'text' },
      },
      type: { is: 'truth' },
    },
  },
})
const hours = table('Job', 'Due on date', ['Hours whole', { most: '8' }])

/** For each piece a book where it must speak, and the nearest one where it must not. */
export const cases: Record<string, readonly [wrong: readonly Edit[], right: readonly Edit[]]> = {
  tableWithoutKey: [[...job, { kind: 'setKey', table: 'job', fields: [] }], job],
  tableWithKeyOnly: [table('Job'), job],
  tableTiedToNothing: [
    [...client, ...job],
    [...client, ...job, link('client', 'job')],
  ],
  tableInThePlural: [table('Jobs', 'Due on date'), table('Premises', 'Address line')],
  wideTable: [
    table(
      'Job',
      ...Array.from(
        { length: 41 },
        (_, at) => `Fact ${'abcdefghijklmnopqrstuvwxyz'[at % 26]}${at > 25 ? 'x' : ''} line`,
      ),
    ),
    job,
  ],
  choiceWithoutWords: [table('Job', 'State choice'), table('Job', ['State choice', words('open', 'done')])],
  choiceOfOne: [table('Job', ['State choice', words('open')]), table('Job', ['State choice', words('open', 'done')])],
  choiceOfYesAndNo: [
    table('Job', ['Paid choice', words('yes', 'no')]),
    table('Job', ['Paid choice', words('yes', 'no', 'in part')]),
  ],
  choicesAlike: [
    table('Job', ['State choice', words('done', 'Do-ne')]),
    table('Job', ['State choice', words('done', 'undone')]),
  ],
  moneyAsExact: [table('Job', 'Price exact'), table('Job', ['Rate exact', { unit: 'km/h' }])],
  moneyAsMeasured: [table('Job', 'Price measured'), table('Job', 'Price money')],
  numberAsText: [table('Job', 'Quantity line'), table('Job', 'Size line')],
  codeAsNumber: [table('Client', 'Postcode whole'), table('Client', 'Floor whole')],
  dateAsText: [table('Job', 'Delivery date line'), table('Job', 'Delivery note line')],
  eMailAsText: [table('Client', 'E-mail line'), table('Client', 'Motto line')],
  ageInsteadOfBirthDate: [table('Client', 'Age whole'), table('Client', 'Age group line')],
  passwordKept: [table('Client', 'Password line'), table('Client', 'Pass held line')],
  longWordsInALine: [table('Job', 'Description line'), table('Job', 'Description passage')],
  percentWithoutBounds: [
    table('Job', 'Percent done whole'),
    table('Job', ['Percent done whole', { least: '0', most: '100' }]),
  ],
  countBelowZero: [table('Job', 'Quantity whole'), table('Job', ['Quantity whole', { least: '0' }])],
  measureWithoutUnit: [table('Job', 'Weight exact'), table('Job', ['Weight exact', { unit: 'kg' }])],
  onlyOneValue: [
    table('Job', ['Floor whole', { least: '2', most: '2' }]),
    table('Job', ['Floor whole', { least: '1', most: '2' }]),
  ],
  noTwoOfFew: [
    table('Locker', ['Number whole', { least: '1', most: '20', unique: true }]),
    table('Locker', ['Number whole', { least: '1', most: '2000', unique: true }]),
  ],
  noTwoAlikeNames: [table('Client', ['Name line', { unique: true }]), table('Town', ['Name line', { unique: true }])],
  calledLikeItsTable: [table('Job', 'Job line'), table('Job', 'Job kind line')],
  emptyName: [table('Job', 'Info line'), table('Job', 'Access info line')],
  twoFactsInOne: [table('Client', 'Name and town line'), table('Client', 'Brand line')],
  tickThatDenies: [table('Job', 'Not paid tick'), table('Job', 'Noted tick')],
  shortenedName: [table('Job', 'Qty whole'), table('Job', 'Quay whole')],
  severalInOne: [table('Client', 'Phones line'), table('Client', 'Phone phone')],
  repeatingGroup: [table('Client', 'Phone 1 phone', 'Phone 2 phone'), table('Client', 'Phone phone', 'Fax phone')],
  factsOfAnotherThing: [
    table('Job', 'Customer name line', 'Customer town line', 'Customer phone phone'),
    table('Job', 'Start date date', 'Start time time', 'Start place line'),
  ],
  nameAndItsParts: [
    table('Client', 'Name line', 'First name line', 'Last name line'),
    table('Client', 'First name line', 'Last name line'),
  ],
  whichDate: [table('Job', 'Date date', 'Paid on date'), table('Job', 'Date date')],
  ticksThatAreStates: [
    table('Job', 'Booked tick', 'Done tick', 'Cancelled tick'),
    table('Job', 'Done tick', 'Insured tick'),
  ],
  knownByNumberAlone: [[...client, { kind: 'setKnownBy', table: 'client', fields: ['client-key'] }], client],
  keyThatChanges: [
    [
      ...client,
      { kind: 'changeField', field: 'client_name', to: { must: true } },
      { kind: 'setKey', table: 'client', fields: ['client_name'] },
    ],
    client,
  ],
  keyOfManyFields: [
    [
      ...table(
        'Seat',
        ['A code', { must: true }],
        ['B code', { must: true }],
        ['C code', { must: true }],
        ['D code', { must: true }],
      ),
      { kind: 'setKey', table: 'seat', fields: ['seat_a', 'seat_b', 'seat_c', 'seat_d'] },
    ],
    table('Seat', 'Row code'),
  ],
  factInTwoPlaces: [
    [...client, ...table('Job', 'Town line'), link('client', 'job')],
    [...client, ...table('Job', 'Name line'), link('client', 'job')],
  ],
  linkedBothWays: [
    [...client, ...job, link('client', 'job'), link('job', 'client', { bMust: false })],
    [...client, ...job, link('client', 'job')],
  ],
  sameTieTwice: [
    [
      ...client,
      ...job,
      link('client', 'job'),
      link('client', 'job', { ids: { table: 't', links: ['x', 'y'], fields: ['f', 'g'] } }),
    ],
    [
      ...client,
      ...job,
      link('client', 'job'),
      link('client', 'job', { name: 'Paid by', ids: { table: 't', links: ['x', 'y'], fields: ['f', 'g'] } }),
    ],
  ],
  directRepeatsIndirect: [
    [
      ...client,
      ...job,
      ...table('Visit', 'Day date'),
      link('client', 'job'),
      link('job', 'visit'),
      link('client', 'visit'),
    ],
    [
      ...client,
      ...job,
      ...table('Visit', 'Day date'),
      link('client', 'job'),
      link('job', 'visit'),
      link('client', 'visit', { name: 'Met on the way' }),
    ],
  ],
  oneNameTwoKinds: [
    [...table('Client', 'Deadline line'), ...table('Job', 'Deadline date'), link('client', 'job')],
    [...table('Client', 'Deadline date'), ...table('Job', 'Deadline dateTime'), link('client', 'job')],
  ],
  sameChoicesTwice: [
    [
      ...table('Client', ['Region choice', words('a', 'b', 'c')]),
      ...table('Job', ['Area choice', words('c', 'b', 'a')]),
    ],
    [
      ...table('Client', ['Region choice', words('a', 'b', 'c')]),
      ...table('Job', ['Area choice', words('c', 'b', 'd')]),
    ],
  ],
  twoNamesForOneThing: [
    [...client, ...table('Customer', 'Phone phone')],
    [...client, ...job],
  ],
  tablesOfTheSameFacts: [
    [
      ...table('Cat', 'Name line', 'Breed line', 'Colour line', 'Born on date'),
      ...table('Dog', 'Name line', 'Breed line', 'Colour line', 'Born on date'),
    ],
    [
      ...table('Cat', 'Name line', 'Breed line', 'Colour line', 'Born on date'),
      ...table('Dog', 'Name line', 'Breed line', 'Colour line', 'Bites tick'),
    ],
  ],
  listNobodyUses: [
    [{ kind: 'addTable', id: 'fuel', name: 'Fuel', keyField: 'fuel-key', role: 'word-list' }],
    [
      ...job,
      { kind: 'addTable', id: 'fuel', name: 'Fuel', keyField: 'fuel-key', role: 'word-list' },
      link('fuel', 'job'),
    ],
  ],
  rowsWithoutTheirRecord: [
    [
      ...client,
      ...job,
      link('client', 'job', { bMust: false }),
      { kind: 'changeLink', link: 'client--job', onRemove: 'remove' },
    ],
    [...client, ...job, link('client', 'job'), { kind: 'changeLink', link: 'client--job', onRemove: 'remove' }],
  ],
  storedTotal: [
    [...table('Bill', 'Total money'), ...table('Line', 'Amount money'), link('bill', 'line')],
    [...table('Bill', 'Deposit money'), ...table('Line', 'Amount money'), link('bill', 'line')],
  ],
  oneToOneWithBothMusts: [
    [...client, ...job, link('client', 'job', { aHasSeveral: false, aMust: true })],
    [...client, ...job, link('client', 'job', { aHasSeveral: false })],
  ],
  reservedName: [table('Order', 'Due on date'), table('Client order', 'Due on date')],
  limitThatNeverRefuses: [limited(6, 6), limited(6, 2)],
  ruleThatCannotHold: [
    [...hours, ruled('yes')],
    [...hours, ruled(1)],
  ],
  ruleThatNeverRefuses: [
    [...hours, ruled(9, '<')],
    [...hours, ruled(8, '<')],
  ],
  rulesAgainstEachOther: [
    [...hours, ruled(3, '<'), ruled(4, '>', 'other')],
    [...hours, ruled(4, '<'), ruled(2, '>', 'other')],
  ],
  limitOfOne: [
    [
      ...client,
      ...job,
      link('client', 'job'),
      { kind: 'limitLink', link: 'client--job', limits: [{ id: 'l', most: 1 }] },
    ],
    [
      ...client,
      ...job,
      link('client', 'job'),
      { kind: 'limitLink', link: 'client--job', limits: [{ id: 'l', most: 2 }] },
    ],
  ],
  nobodyAskedForIt: [
    [...client, ...job, ...need('client')],
    [...client, ...job, link('client', 'job'), ...need('job')],
  ],
  circleOfMusts: [
    [...client, ...job, link('client', 'job'), link('job', 'client')],
    [...client, ...job, link('client', 'job'), link('job', 'client', { bMust: false })],
  ],
}

/** Designs that nobody would object to; what is said of them would be a false alarm. */
export const goodBooks: Record<string, readonly Edit[]> = {
  library: [
    ...table('Reader', 'First name line', 'Last name line', ['E-mail email', { unique: true }], 'Joined on date'),
    ...table('Title', 'Name line', 'Author line', ['Year whole', { least: '1400', most: '2100' }]),
    ...table('Copy', ['Shelf mark code', { unique: true }], ['Condition choice', words('good', 'worn', 'lost')]),
    ...table('Loan', 'Lent on date', 'Due on date', 'Back on date'),
    link('title', 'copy'),
    link('copy', 'loan'),
    link('reader', 'loan'),
  ],
  kennels: [
    ...table('Owner', 'Name line', 'Mobile phone', 'E-mail email'),
    ...table('Dog', 'Name line', 'Born on date', ['Weight exact', { unit: 'kg' }], 'Microchip code'),
    ...table('Stay', 'Arrives on date', 'Leaves on date', ['State choice', words('booked', 'running', 'over')]),
    link('owner', 'dog'),
    link('dog', 'stay'),
  ],
  courses: [
    ...table('Tutor', 'Name line', 'Hourly wage money'),
    ...table('Course', 'Title line', 'Fee money', ['Places whole', { least: '1', most: '40' }]),
    ...table('Student', 'Name line', 'Date of birth date'),
    link('tutor', 'course'),
    link('course', 'student', { bHasSeveral: true, name: 'Enrolment' }),
    { kind: 'addField', table: 'course-student', id: 'enrolled', name: 'Enrolled on', holds: 'date' },
  ],
  workshop: [
    ...table('Vehicle', ['Plate code', { unique: true, must: true }], 'Make line', 'Model line'),
    ...table('Repair', 'Brought in on date', 'Fault passage'),
    ...table('Part', 'Part code code', 'Name line', 'List price money', ['In stock whole', { least: '0' }]),
    link('vehicle', 'repair'),
    link('repair', 'part', { bHasSeveral: true, name: 'Part used' }),
    { kind: 'addField', table: 'repair-part', id: 'used', name: 'Quantity', holds: 'whole' },
    { kind: 'changeField', field: 'used', to: { least: '1' } },
    { kind: 'addField', table: 'repair-part', id: 'price', name: 'Price each', holds: 'money' },
  ],
  archive: [
    ...table('Room', 'Name line', ['Floor whole', { least: '-2', most: '9' }]),
    ...table('Box', ['Label code', { unique: true }]),
    ...table('Document', 'Title line', 'Summary passage', 'Written on date'),
    link('room', 'box'),
    link('box', 'document'),
    link('document', 'document', { name: 'Answers', bMust: false }),
  ],
}
