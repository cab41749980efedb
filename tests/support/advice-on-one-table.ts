import type { Edit } from '@/core/book'
import { table, link, words, client, job } from './tables'

/** For each piece a book where it must speak, and the nearest one where it must not. */
export const onOneTable: Record<string, readonly [wrong: readonly Edit[], right: readonly Edit[]]> = {
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
}
