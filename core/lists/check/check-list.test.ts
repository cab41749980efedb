import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { askedBook } from '@/tests/support/asked-design'
import { listOf } from '@/tests/support/random-lists'
import { runs } from '@/tests/support/runs'
import { type Condition, List, limits, type Way } from '../../book'
import { wordProblem } from '../../words'
import { readList } from './check-list'
import type { Answers } from './read-list'

const book = askedBook()
const answers: Answers = { given: {}, now: { moment: '2027-03-12T10:00' } }
const payments: Way = [{ to: 'rows', link: 'visit--payment' }]
const at = (field: string, way: Way = []) => ({ way, field })
const base: List = {
  id: 'list',
  table: 'visit',
  columns: [{ id: 'a', shows: { kind: 'field', place: at('visit_day') } }],
  asks: [],
  order: [],
}
const faultsOf = (more: Partial<List>, given = answers) =>
  readList(book, { ...base, ...more }, given).faults.map(({ at: place, problem }) => [place, wordProblem(problem)])
const compare = (field: string, how: string, ...values: string[]): Condition =>
  ({ kind: 'compare', place: at(field), how, with: values.map((value) => ({ value })) }) as Condition

test('any list that can be put together can be read, and is the same once it was kept', () => {
  fc.assert(
    fc.property(listOf(book), (list) => {
      expect(readList(book, list, answers).faults).toEqual([])
      expect(List.parse(JSON.parse(JSON.stringify(list)))).toEqual(list)
    }),
    runs(400),
  )
})

describe('what is wrong is told where it stands', () => {
  test.each<readonly [Condition, string]>([
    [compare('lost', 'is', 'x'), 'This asks for a field that Visit no longer has. Choose another, or take it out.'],
    [
      compare('house_town', 'is', 'x'),
      'This asks for a field that Visit no longer has. Choose another, or take it out.',
    ],
    [
      { kind: 'compare', place: at('payment_amount', payments), how: 'more', with: [{ value: '1.00' }] },
      'There may be several payments. Ask for those that have one of which this is so.',
    ],
    [
      { kind: 'has', way: [{ to: 'rows', link: 'lost' }], least: 1 },
      'Visit no longer leads to what this asks for. Choose it again, or take it out.',
    ],
    [
      { kind: 'has', way: [], least: 1 },
      'Visit no longer leads to what this asks for. Choose it again, or take it out.',
    ],
    [
      { kind: 'has', way: payments, least: 3, most: 2 },
      'It asks for at least more than at most. Turn the two numbers round.',
    ],
    [
      compare('visit_price', 'contains', '1'),
      'Price can’t be asked whether it contains. Choose another way to compare.',
    ],
    [compare('visit_price', 'more'), 'Write what Price is compared with.'],
    [compare('visit_price', 'between', '1.00'), 'Write what Price is compared with.'],
    [compare('visit_price', 'more', 'much'), '“much” is nothing that Price could hold. Write another value.'],
    [compare('visit_price', 'more', '1 OR 1=1'), '“1 OR 1=1” is nothing that Price could hold. Write another value.'],
    [compare('visit_day', 'is', '2027-02-30'), 'This can’t be calculated: '],
    [compare('visit_state', 'is', 'lost'), 'This can’t be calculated: '],
    [
      { kind: 'within', place: at('visit_price'), span: { which: 'this', unit: 'month' } },
      'Price can’t be asked whether it lies within some days. Choose another way to compare.',
    ],
    [
      { kind: 'compare', place: at('visit_state'), how: 'is', with: [{ ask: 'lost' }] },
      'This asks for a value that nobody is asked for any more. Write a value.',
    ],
    [
      { kind: 'holds', tree: { kind: 'fact', over: [], field: 'visit_price', type: { is: 'text' } } },
      'A condition is something that is true or not, such as a comparison.',
    ],
    [{ kind: 'holds', tree: { kind: 'call', name: 'constructor' } }, 'This can’t be calculated: '],
  ])('%j', (condition, words) => {
    const [[place, said] = [], ...more] = faultsOf({ where: { kind: 'all', of: [condition] } })
    expect([place, more]).toEqual([{ part: 'condition', path: [0] }, []])
    expect(said).toContain(words)
  })

  test('a condition deep within is told by its path', () => {
    const deep: Condition = {
      kind: 'all',
      of: [compare('visit_state', 'blank'), { kind: 'has', way: payments, least: 1, where: compare('lost', 'blank') }],
    }
    expect(faultsOf({ where: deep }).map(([place]) => place)).toEqual([{ part: 'condition', path: [1, 0] }])
  })

  test.each<readonly [List['columns'][number]['shows'], string]>([
    [{ kind: 'field', place: at('lost') }, 'no longer has'],
    [
      { kind: 'field', place: at('payment_amount', payments) },
      'There may be several payments. Say whether they go together',
    ],
    [{ kind: 'several', place: at('visit_day'), as: 'lines' }, 'There is never more than one visit here.'],
    [{ kind: 'gathered', way: payments, name: 'total' }, 'Choose the field of which the total is taken.'],
    [{ kind: 'gathered', way: payments, name: 'total', field: 'payment_paid' }, 'There is no total of Paid.'],
    [{ kind: 'gathered', way: payments, name: 'least', field: 'visit_day' }, 'no longer has'],
    [
      { kind: 'gathered', way: payments, name: 'count', where: compare('lost', 'blank') },
      'This asks for a field that Payment no longer has.',
    ],
    [{ kind: 'calculated', tree: null }, 'This can’t be calculated: '],
  ])('%j', (shows, words) => {
    const [[place, said] = []] = faultsOf({ columns: [{ id: 'x', shows }] })
    expect(place).toEqual({ part: 'column', id: 'x' })
    expect(said).toContain(words)
  })

  test('an order by what is gone or may be several, columns and questions that can’t be told apart', () => {
    const several = {
      id: 's',
      shows: { kind: 'several', place: at('payment_amount', payments), as: 'together' },
    } as const
    expect(faultsOf({ order: [{ column: 'lost' }] })).toEqual([
      [{ part: 'order', at: 0 }, 'It is put in order by a column that it no longer has. Choose another.'],
    ])
    expect(faultsOf({ columns: [several], order: [{ column: 's' }] })[0]![1]).toContain('may hold several values')
    expect(faultsOf({ columns: [...base.columns, ...base.columns] })[0]![0]).toEqual({ part: 'column', id: 'a' })
    const ask = (id: string) => ({ id, words: 'Which', place: at('visit_state') })
    expect(faultsOf({ asks: [ask('x'), ask('y')] })[0]![0]).toEqual({ part: 'ask', id: 'y' })
    expect(faultsOf({ table: 'lost' })).toHaveLength(1)
  })

  test('ten thousand conditions are too many', () => {
    const many = Array.from({ length: limits.conditions }, () => compare('visit_state', 'blank'))
    const where: Condition = {
      kind: 'all',
      of: [
        { kind: 'all', of: many },
        { kind: 'all', of: many },
      ],
    }
    expect(faultsOf({ where })[0]![1]).toBe('A list has at most 200 conditions. Take some out.')
    expect(List.safeParse({ ...base, where: { kind: 'all', of: [...many, many[0]] } }).success).toBe(false)
  })
})

test('a condition that goes in a circle of brackets is no list, before anything walks down there', () => {
  const deep = JSON.parse(`${'{"kind":"not","of":'.repeat(50_000)}null${'}'.repeat(50_000)}`) as unknown
  expect(List.safeParse({ ...base, where: deep }).success).toBe(false)
})

test('a field that goes is missed, and is there again when it comes back', () => {
  const gone = made(book, { kind: 'removeField', field: 'visit_day' })
  expect(readList(gone, base, answers).faults).toHaveLength(1)
  expect(readList(book, base, answers).faults).toHaveLength(0)
  const renamed = made(book, { kind: 'changeField', field: 'visit_day', to: { name: 'On' } })
  const { read } = { read: undefined, ...readList(renamed, base, answers) }
  expect(read?.columns[0]?.heading).toBe('On')
})

describe('what is asked', () => {
  const asks = [{ id: 'q', words: 'Month', place: at('visit_day'), start: '2027-02' }]
  const where: Condition = { kind: 'compare', place: at('visit_day'), how: 'is', with: [{ ask: 'q' }] }
  const readWith = (given: Record<string, string>) => {
    const { read } = { read: undefined, ...readList(book, { ...base, asks, where }, { ...answers, given }) }
    return read?.where
  }

  test('starts with what it starts with, a month meaning all of its days', () => {
    expect(JSON.stringify(readWith({}))).toMatch(/2027-02-01.*2027-03-01/)
    expect(JSON.stringify(readWith({ q: '2027-03' }))).toMatch(/2027-03-01.*2027-04-01/)
  })

  test('left empty asks for nothing; answered wrongly is told', () => {
    expect(readWith({ q: '' })).toEqual({ kind: 'always' })
    expect(faultsOf({ asks, where }, { ...answers, given: { q: 'soon' } })[0]![1]).toContain(
      'nothing that Day could hold',
    )
  })
})

test('columns that would be headed alike are told apart', () => {
  const columns: List['columns'] = [
    { id: 'a', shows: { kind: 'field', place: at('visit__house') } },
    { id: 'b', shows: { kind: 'field', place: at('house_town', [{ to: 'one', field: 'visit__house' }]) } },
  ]
  const { read } = { read: undefined, ...readList(book, { ...base, columns }, answers) }
  expect(read?.columns.map(({ heading }) => heading)).toEqual(['House', 'House → Town'])
})

describe('what is in another list', () => {
  const inList = (list: string) => ({ kind: 'in', list }) as const
  const kept = (id: string, where: Condition, more: Partial<List> = {}): List => ({
    id,
    name: id,
    table: 'visit',
    columns: [{ id: 'c', shows: { kind: 'field', place: { way: [], field: 'visit_state' } } }],
    asks: [],
    order: [],
    where,
    ...more,
  })
  const filled: Condition = { kind: 'compare', place: { way: [], field: 'visit_state' }, how: 'filled', with: [] }
  const faultsOf = (list: List, ...lists: List[]) =>
    readList(askedBook(), list, { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [list, ...lists] }).faults.map(
      ({ problem }) => problem.kind,
    )

  test('is asked through any number of lists, but not in a circle', () => {
    const [a, b] = [kept('a', inList('b')), kept('b', inList('c'))]
    expect(faultsOf(a, b, kept('c', filled))).toEqual([])
    expect(faultsOf(a, b, kept('c', inList('a')))).toEqual(['list-in-circle'])
    expect(faultsOf(kept('a', inList('a')))).toEqual(['list-in-circle'])
  })

  test.each<[string, List, string]>([
    ['one that is gone', kept('x', filled), 'list-in-gone'],
    ['one of another table', kept('b', filled, { table: 'house' }), 'list-in-gone'],
    ['one that shows only the first', kept('b', filled, { first: 3 }), 'list-in-open'],
    [
      'one that is asked something',
      kept('b', filled, { asks: [{ id: 'q', words: 'State', place: { way: [], field: 'visit_state' } }] }),
      'list-in-open',
    ],
    ['one in which something is wrong', kept('b', { ...filled, place: { way: [], field: 'gone' } }), 'list-in-wrong'],
  ])('is not asked of %s', (_, other, kind) => {
    expect(faultsOf(kept('a', inList('b')), other)).toEqual([kind])
  })

  test('has an end where lists double from one to the next', () => {
    const twice = (id: string, next: string) => kept(id, { kind: 'any', of: [inList(next), inList(next)] })
    const chain = Array.from({ length: 30 }, (_, at) => twice(`l${at}`, `l${at + 1}`))
    expect(faultsOf(chain[0]!, ...chain.slice(1), kept('l30', filled))).toContain('list-too-many-conditions')
  })
})
