import type { Edit } from '@/core/book'
import { table, link, words, client, job } from './tables'

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
export const acrossTables: Record<string, readonly [wrong: readonly Edit[], right: readonly Edit[]]> = {
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
