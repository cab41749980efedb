import { expect, test } from 'vitest'
import { type Book, type Edit, emptyBook, limits, applyEdit, readEdit } from '..'
import { kindOf, plainLook, readValue } from '../../kinds'
import { wordProblem } from '../../words'
import { made } from '@/tests/support/made'

const small = made(
  emptyBook('Limits', plainLook),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'visit-key' },
  { kind: 'addField', table: 'visit', id: 'note', name: 'Note', holds: 'line' },
  { kind: 'addField', table: 'visit', id: 'state', name: 'State', holds: 'choice' },
  { kind: 'addField', table: 'visit', id: 'amount', name: 'Amount', holds: 'exact' },
  { kind: 'addField', table: 'visit', id: 'mark', name: 'Mark', holds: 'mark' },
  { kind: 'addField', table: 'visit', id: 'paper', name: 'Paper', holds: 'file' },
)

/** The book with one part so many times. */
const many = <Part>(count: number, part: (at: number) => Part) => Array.from({ length: count }, (_, at) => part(at))
const visit = small.tables[0]!
const withTables = (count: number): Book => ({
  ...small,
  tables: [
    ...small.tables,
    ...many(count - 1, (at) => ({ ...visit, id: `t${at}`, name: `Table ${at}`, fields: [], key: [], knownBy: [] })),
  ],
})
const withFields = (count: number): Book => ({
  ...small,
  tables: [
    {
      ...visit,
      fields: [
        ...visit.fields,
        ...many(count - visit.fields.length, (at) => ({ id: `f${at}`, name: `Field ${at}`, kind: 'line' as const })),
      ],
    },
  ],
})
const holds = {
  kind: 'isNull',
  of: { kind: 'fact', over: [], field: 'note', type: { is: 'text' } },
  type: { is: 'truth' },
}
const rule = (id: string): Edit => ({
  kind: 'addRule',
  id,
  table: 'visit',
  words: 'Words.',
  says: { kind: 'holds', tree: holds },
})

/** A book that is one short of a limit, or at it, and an edit that adds one more. */
const counted: readonly (readonly [string, number, (count: number) => Book, Edit])[] = [
  ['tables', limits.tables, withTables, { kind: 'addTable', id: 'new', name: 'New', keyField: 'new-key' }],
  [
    'fields of a table',
    limits.fieldsPerTable,
    withFields,
    { kind: 'addField', table: 'visit', id: 'new', name: 'New', holds: 'line' },
  ],
  [
    'needs',
    limits.needs,
    (count) => ({ ...small, needs: many(count, (at) => ({ id: `n${at}`, text: 'A need.', metBy: [] })) }),
    { kind: 'addNeeds', needs: [{ id: 'new', text: 'One more.' }] },
  ],
  [
    'areas',
    limits.areas,
    (count) => ({
      ...small,
      areas: many(count, (at) => ({ id: `a${at}`, name: `Area ${at}`, tone: 'sky' as const, tables: [] })),
    }),
    { kind: 'addArea', id: 'new', name: 'New', tone: 'moss', tables: ['visit'] },
  ],
  [
    'notes of the map',
    limits.remarks,
    (count) => ({ ...small, remarks: many(count, (at) => ({ id: `r${at}`, text: 'A note.', x: 0, y: 0 })) }),
    { kind: 'addRemark', id: 'new', text: 'One more.', x: 0, y: 0 },
  ],
  [
    'rules',
    limits.rules,
    (count) => ({
      ...small,
      rules: many(count, (at) => ({
        id: `u${at}`,
        table: 'visit',
        words: 'Words.',
        says: { kind: 'holds', tree: holds },
      })),
    }),
    rule('new'),
  ],
  [
    'forms',
    limits.forms,
    (count) => ({
      ...small,
      forms: many(count, (at) => ({ id: `m${at}`, table: 'visit', name: `Form ${at}`, lines: [], without: [] })),
    }),
    { kind: 'addForm', id: 'new', table: 'visit', name: 'One more', lines: [], without: [] },
  ],
]

test.each(counted)(
  'of %s there are as many as is said, and one more is refused in words',
  (_what, limit, book, edit) => {
    expect(applyEdit(book(limit - 1), edit)).toMatchObject({ ok: true })
    const beyond = applyEdit(book(limit), edit)
    expect(!beyond.ok && wordProblem(beyond.problem)).toMatch(new RegExp(limit.toLocaleString('en-GB')))
  },
)

const change = (field: string, to: object): Edit => ({ kind: 'changeField', field, to })
const choices = (count: number, length = 3) =>
  many(count, (at) => ({ id: `c${at}`, word: `${at}`.padStart(length, 'w') }))

/** What is at a limit, and what is beyond it; and what says so. */
const sized: readonly (readonly [string, Edit, Edit, RegExp])[] = [
  [
    'a name of 60 letters',
    { kind: 'renameTable', table: 'visit', name: 'x'.repeat(60) },
    { kind: 'renameTable', table: 'visit', name: 'x'.repeat(61) },
    /at most 60 characters/,
  ],
  ['a line of 700 characters', change('note', { length: 700 }), change('note', { length: 701 }), /1 to 700/],
  ['18 digits before the point', change('amount', { digits: 18 }), change('amount', { digits: 19 }), /1 to 18/],
  ['10 decimals', change('amount', { decimals: 10 }), change('amount', { decimals: 11 }), /0 to 10/],
  ['a scale of 100', change('mark', { scale: 100 }), change('mark', { scale: 101 }), /2 to 100/],
  ['a file of 25 MB', change('paper', { megabytes: 25 }), change('paper', { megabytes: 26 }), /1 to 25/],
  ['200 choices', change('state', { choices: choices(200) }), change('state', { choices: choices(201) }), /200/],
  [
    'a note of 500 letters',
    change('note', { note: 'x'.repeat(500) }),
    change('note', { note: 'x'.repeat(501) }),
    /at most 500 fit/,
  ],
  [
    'a unit of 20',
    change('amount', { unit: 'x'.repeat(20) }),
    change('amount', { unit: 'x'.repeat(21) }),
    /at most 20 fit/,
  ],
  [
    'a choice of 100 letters',
    change('state', { choices: choices(2, 100) }),
    change('state', { choices: choices(2, 101) }),
    /100/,
  ],
]

test.each(sized)('%s: taken, one more is refused in words', (_what, within, beyond, words) => {
  expect(applyEdit(small, within)).toMatchObject({ ok: true })
  // What a browser could send all the same doesn't pass for an edit.
  const read = readEdit(JSON.parse(JSON.stringify(beyond)))
  const outcome = read.ok ? applyEdit(small, read.value) : read
  expect(outcome.ok).toBe(false)
  const here = applyEdit(small, beyond)
  expect(!here.ok && wordProblem(here.problem)).toMatch(words)
})

const field = (kind: Parameters<typeof kindOf>[0], settings: object = {}) => ({
  name: 'Field',
  kind,
  ...kindOf(kind).starts,
  ...settings,
})

test.each<[string, ReturnType<typeof field>, string, string, RegExp]>([
  ['a line of 700 characters', field('line', { length: 700 }), 'x'.repeat(700), 'x'.repeat(701), /at most 700 fit/],
  ['a passage of 50 000', field('passage'), 'x'.repeat(50_000), 'x'.repeat(50_001), /at most 50,000 fit/],
  ['a code of 700', field('code', { length: 700 }), 'x'.repeat(700), 'x'.repeat(701), /at most 700 fit/],
  [
    'a whole number of 15 digits',
    field('whole', { most: '999999999999999' }),
    '9'.repeat(15),
    `1${'0'.repeat(15)}`,
    /999,999,999,999,999 or less|15 digits/,
  ],
  ['an exact number of 18 digits', field('exact', { digits: 18 }), '9'.repeat(18), '9'.repeat(19), /At most 18 digits/],
  ['money of 12 digits', field('money'), '9'.repeat(12), '9'.repeat(13), /At most 12 digits/],
])('%s is taken, one more is refused in words', (_what, of, within, beyond, words) => {
  expect(readValue(within, of, plainLook)).toMatchObject({ ok: true })
  const refused = readValue(beyond, of, plainLook)
  expect(!refused.ok && wordProblem(refused.problem)).toMatch(words)
})
