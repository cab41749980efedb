import { describe, expect, test } from 'vitest'
import { type Clause, clausesOf } from './clauses'
import { elementsOf } from '../words/elements'
import { tokensOf } from '../words/tokens'

const read = (text: string) => clausesOf(elementsOf(tokensOf(text, 0)))
/** "for each visit | we note": who does what, and what it is said for. */
const told = ({ lead, subject, pronoun, doing }: Clause) =>
  [
    ...lead.map(({ prep, phrase }) => `${prep} ${phrase.name} |`),
    subject?.name ?? pronoun ?? '-',
    doing ? `${doing.not ? 'not ' : ''}${doing.passive ? 'be ' : ''}${doing.verb}${doing.may ? '?' : ''}` : '-',
  ].join(' ')

test.each<[string, string[]]>([
  ['A client brings one or more volumes.', ['client bring']],
  ['For each loan we note the day it went out.', ['for loan | we note']],
  ['Every tool has a name and a charge, and belongs to one category.', ['tool have', 'tool belong']],
  ['An instructor teaches lessons and each lesson has one instructor.', ['instructor teach', 'lesson have']],
  ['A visit is booked for one premises.', ['visit be book']],
  ['No member may have more than five loans.', ['member have?']],
  ['A ticket cannot be sold twice.', ['ticket not be sell?']],
  ['When they pay we note the amount.', ['they pay', 'we note']],
  ['Every year each tenant pays rent.', ['tenant pay']],
  ['One or more technicians go on a visit; one of them leads.', ['technician go', 'one of them lead']],
  [
    'Parts are used on jobs, and for each part used on a job we note the price.',
    ['part be use', 'for part | on job | we note'],
  ],
  ['each project is run by a manager', ['project be run']],
  ['films have a title', ['film have']],
  ['A pupil has a level, which is low or high.', ['pupil have', 'level be']],
])('%s', (text, clauses) => {
  expect(read(text).map(told)).toEqual(clauses)
})

describe('lists', () => {
  const things = (text: string) =>
    read(text)[0]!.rest.flatMap((element) => (element.kind === 'thing' ? [element.phrase.name] : []))

  test.each<[string, string[]]>([
    ['A job has a date in, a date out and the mileage.', ['date', 'date', 'mileage']],
    ['For a delegate store: title, first name, last name.', ['title', 'first name', 'last name']],
    ['We hire out rowing boats by the hour.', ['rowing boat', 'hour']],
  ])('%s', (text, names) => {
    expect(things(text)).toEqual(names)
  })

  test('what stands in brackets stays with what it follows', () => {
    const [clause] = read('A ticket has an urgency (low, normal, high) and a subject.')
    expect(clause!.rest.map((element) => element.kind)).toEqual(['thing', 'aside', 'joint', 'thing'])
  })
})

test('a clause without a subject of its own takes the one before', () => {
  const [, second] = read('A claim relates to one parcel and includes a decision.')
  expect(second?.subject?.name).toBe('claim')
})
