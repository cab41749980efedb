import fc from 'fast-check'
import {
  type Along,
  type Book,
  type Column,
  type Condition,
  type Field,
  fieldWith,
  type Group,
  type Hop,
  type List,
  tableOf,
  type Way,
} from '@/core/book'
import { comparisonsFor, endOf, figuresFor, isSeveral, readList } from '@/core/lists'
import type { Known, World } from './slow-lists'

const values = {
  town: ['Otterby', 'Netherweir', 'Ash', 'Ashford'],
  name: ['Una', 'Corin', 'Merrick'],
  day: ['2027-01-31', '2027-02-01', '2027-02-28', '2026-12-31', '2027-03-12'],
  label: ['a 1', 'b 2', 'c', 'a 10', 'a 9'],
  money: ['10.00', '-2.50', '0.05', '120.00', '33.33', '0.00'],
  whole: ['1', '2', '3', '10'],
}

/** Values of a field, as they are stored; few, so that many records have the same. */
export function valuesFor(field: Field): readonly string[] {
  switch (field.kind) {
    case 'choice':
      return field.choices!.map(({ word }) => word)
    case 'money':
      return values.money
    case 'whole':
      return values.whole
    case 'date':
      return values.day
    default:
      return field.name === 'Town' ? values.town : field.name === 'Label' ? values.label : values.name
  }
}

const maybe = <T>(one: fc.Arbitrary<T>) => fc.option(one, { freq: 4 })

/** Records of every table, linked at random; those of a joining table each once. */
export function worldOf(book: Book): fc.Arbitrary<World> {
  const sizes = { house: 4, person: 4, visit: 8, payment: 10, paper: 5 } as const
  type Name = keyof typeof sizes
  const plain = (id: Name) => {
    const { fields } = tableOf(book, id)
    const own = fields.filter(({ kind }) => kind !== 'link' && kind !== 'running')
    return fc.array(
      fc.record(Object.fromEntries(own.map((field) => [field.id, maybe(fc.constantFrom(...valuesFor(field)))]))),
      {
        minLength: 1,
        maxLength: sizes[id],
      },
    )
  }
  const picks = fc.array(fc.nat(1000), { minLength: 80, maxLength: 80 })
  const parts = fc.record({
    house: plain('house'),
    person: plain('person'),
    visit: plain('visit'),
    payment: plain('payment'),
    paper: plain('paper'),
  })
  return fc.tuple(parts, picks).map(([rows, dice]) => {
    let at = 0
    const roll = () => dice[at++ % dice.length]!
    const some = (among: number, must: boolean) => {
      const die = roll()
      return !must && die % 4 === 0 ? null : String((die % among) + 1)
    }
    const numbered = (id: Name, links: (place: number) => Known['links']): Known[] =>
      rows[id].map((values, place) => ({
        ref: String(place + 1),
        values: { ...values, [`${id}-key`]: String(place + 1) },
        links: links(place),
      }))
    const [houses, people, visits] = [rows.house.length, rows.person.length, rows.visit.length]
    const joining = tableOf(book, 'house-person')
    const [first, second] = joining.key
    const pairs = new Set(rows.payment.map(() => `${some(houses, true)!}~${some(people, true)!}`))
    return {
      house: numbered('house', () => ({})),
      person: numbered('person', () => ({})),
      visit: numbered('visit', () => ({
        visit__house: some(houses, false),
        visit__lead: some(people, false),
        visit__helper: some(people, false),
      })),
      payment: numbered('payment', () => ({ payment__visit: some(visits, true) })),
      // One for each of some visits.
      paper: numbered('paper', (place) => ({ paper__visit: String(place + 1) })).filter((_, place) => place < visits),
      'house-person': [...pairs].map((ref) => {
        const [a, b] = ref.split('~')
        return { ref, values: {}, links: { [first!]: a!, [second!]: b! } }
      }),
    }
  })
}

const hopsFrom = (book: Book, id: string): Hop[] => [
  ...book.links.filter(({ many }) => many === id).map(({ field }): Hop => ({ to: 'one', field })),
  ...book.links.filter(({ one }) => one === id).map(({ id: link }): Hop => ({ to: 'rows', link })),
]

/** All ways of at most so many links from a table. */
function waysFrom(book: Book, id: string, most: number): Way[] {
  const found: Way[] = [[]]
  let last: Way[] = [[]]
  for (let step = 0; step < most; step++) {
    last = last.flatMap((way) => hopsFrom(book, endOf(book, id, way)!.id).map((hop) => [...way, hop]))
    found.push(...last)
  }
  return found
}

export function conditionOf(book: Book, tableId: string, depth: number): fc.Arbitrary<Condition> {
  const ways = waysFrom(book, tableId, 2)
  const single = ways.filter((way) => !isSeveral(book, way))
  const compare = fc.constantFrom(...single).chain((way) => {
    const { fields } = endOf(book, tableId, way)!
    const plain = fields.filter(({ kind }) => kind !== 'link')
    return fc.constantFrom(...(plain.length > 0 ? plain : fields)).chain((field) => {
      if (field.kind === 'link') return fc.constant(linkIs(way, field.id))
      const known = field.kind === 'running' ? ['1', '2', '3'] : valuesFor(field)
      return fc
        .tuple(
          fc.constantFrom(...comparisonsFor(field, book.look)),
          fc.constantFrom(...known),
          fc.constantFrom(...known),
        )
        .map(([how, a, b]): Condition => ({
          kind: 'compare',
          place: { way, field: field.id },
          how,
          with:
            how === 'blank' || how === 'filled'
              ? []
              : how === 'between'
                ? [{ value: a }, { value: b }]
                : [{ value: how === 'looks' ? a.replace(/[aeiou]/, '?').replace(/[mnrt].*/, '*') : a }],
        }))
    })
  })
  if (depth === 0) return compare
  const inner = conditionOf(book, tableId, depth - 1)
  const has = fc.constantFrom(...ways.filter(({ length }) => length > 0)).chain((way) =>
    fc
      .record({
        least: fc.option(fc.nat(2), { nil: undefined }),
        extra: fc.option(fc.nat(1), { nil: undefined }),
        where: fc.option(conditionOf(book, endOf(book, tableId, way)!.id, depth - 1), { nil: undefined }),
      })
      .map(({ least, extra, where }): Condition => ({
        kind: 'has',
        way,
        ...(least !== undefined && { least }),
        ...(extra !== undefined && { most: (least ?? 0) + extra }),
        ...(where && { where }),
      })),
  )
  const repeats = fc
    .array(
      fc
        .constantFrom(...single)
        .chain((way) => fc.constantFrom(...endOf(book, tableId, way)!.fields.map(({ id }) => ({ way, field: id })))),
      { minLength: 1, maxLength: 2 },
    )
    .map((places): Condition => ({ kind: 'repeats', places }))
  return fc.oneof(
    compare,
    has,
    repeats,
    fc
      .array(inner, { minLength: 1, maxLength: 3 })
      .chain((of) => fc.constantFrom('all' as const, 'any' as const).map((kind) => ({ kind, of }))),
    inner.map((of): Condition => ({ kind: 'not', of })),
  )
}

const linkIs = (way: Way, field: string): Condition => ({
  kind: 'compare',
  place: { way, field },
  how: 'is',
  with: [{ value: '1' }],
})

function columnOf(book: Book, tableId: string, id: string): fc.Arbitrary<Column> {
  return fc.constantFrom(...waysFrom(book, tableId, 3)).chain((way): fc.Arbitrary<Column> => {
    const end = endOf(book, tableId, way)!
    const shown = fc.constantFrom(...end.fields)
    if (!isSeveral(book, way))
      return shown.map((field) => ({ id, shows: { kind: 'field', place: { way, field: field.id } } }))
    const numbers = end.fields.filter(({ kind }) => kind === 'money' || kind === 'whole')
    const gathered = (
      names: readonly ('total' | 'average' | 'least' | 'greatest' | 'different' | 'count')[],
      fields: readonly Field[],
    ) =>
      fc
        .tuple(
          fc.constantFrom(...names),
          fc.constantFrom(...fields),
          fc.option(conditionOf(book, end.id, 1), { nil: undefined }),
        )
        .map(([name, field, where]): Column => ({
          id,
          shows: { kind: 'gathered', way, name, ...(name !== 'count' && { field: field.id }), ...(where && { where }) },
        }))
    return fc.oneof(
      fc.tuple(shown, fc.constantFrom('together' as const, 'lines' as const)).map(([field, as]): Column => ({
        id,
        shows: { kind: 'several', place: { way, field: field.id }, as },
      })),
      gathered(['count', 'different'], end.fields),
      ...(numbers.length > 0 ? [gathered(['total', 'average', 'least', 'greatest'], numbers)] : []),
    )
  })
}

/** Something to group by: a field of the record, or of one that it leads to, as it is or in steps. */
function groupOf(book: Book, tableId: string): fc.Arbitrary<Group> {
  const single = waysFrom(book, tableId, 2).filter((way) => !isSeveral(book, way))
  return fc.constantFrom(...single).chain((way) =>
    fc.constantFrom(...endOf(book, tableId, way)!.fields).chain((field) =>
      fc
        .record({
          step: fc.option(fc.constantFrom(...stepsOf(field)), { nil: undefined }),
          down: fc.option(fc.constant(true as const), { nil: undefined }),
        })
        .map(({ step, down }): Group => ({
          place: { way, field: field.id },
          ...(step && { step }),
          ...(down && { down }),
        })),
    ),
  )
}

function stepsOf({ kind }: Field): readonly (Group['step'] | undefined)[] {
  if (kind === 'date') return ['day', 'week', 'month', 'quarter', 'year']
  if (kind === 'whole' || kind === 'money') return [{ every: '5' }, { every: '0.25' }, { every: '30' }]
  return kind === 'line' || kind === 'choice' ? ['letter'] : [undefined]
}

/** Something beneath each column that can have it. */
function figuresOf(book: Book, tableId: string, columns: readonly Column[], dice: readonly number[]): List['figures'] {
  const bare: List = { id: 'list', table: tableId, columns, asks: [], order: [] }
  const found = readList(book, bare, { given: {}, now: { moment: '2027-03-12T10:00' } })
  if (!('read' in found)) throw new Error('A random list that can’t be read.')
  const figures = found.read.columns.flatMap((column, at) => {
    const all = figuresFor({ book }, found.read.table, column)
    return all.length > 0 ? [all[dice[at]! % all.length]!] : []
  })
  return figures.length > 0 ? figures : undefined
}

/** Any list of a table: its columns, under a condition, in an order. */
export function listOf(book: Book): fc.Arbitrary<List> {
  return fc.constantFrom(...book.tables.map(({ id }) => id)).chain((table) =>
    fc
      .record({
        own: fc.tuple(...['a', 'b', 'c'].map((id) => columnOf(book, table, id))),
        beside: fc.option(
          fc.constantFrom('share' as const, 'running' as const, 'rank' as const, 'difference' as const),
          {
            nil: undefined,
          },
        ),
        where: fc.option(conditionOf(book, table, 2), { nil: undefined, freq: 5 }),
        groups: fc.array(groupOf(book, table), { maxLength: 3 }),
        first: fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined, freq: 3 }),
        figured: fc.array(fc.nat(20), { minLength: 3, maxLength: 3 }),
        order: fc.array(
          fc.record({
            column: fc.constantFrom('a', 'b', 'c'),
            down: fc.option(fc.constant(true as const), { nil: undefined }),
            blanks: fc.option(fc.constantFrom('first' as const, 'last' as const), { nil: undefined }),
            natural: fc.option(fc.constant(true as const), { nil: undefined }),
          }),
          { maxLength: 2 },
        ),
      })
      .map(({ own, beside, ...more }) => ({ ...more, columns: [...own, ...alongWith(book, own, beside)] }))
      .map(({ columns, where, order, groups, figured, first }): List => ({
        id: 'list',
        table,
        columns,
        asks: [],
        ...(where && { where }),
        ...(groups.length > 0 && { groups }),
        ...(first !== undefined && { first }),
        figures: figuresOf(book, table, columns, figured),
        // By what may be several nothing can be ordered, and what a link leads to is ordered by its words.
        order: order.flatMap(({ column, down, blanks, natural }) => {
          const { shows } = columns.find(({ id }) => id === column)!
          const plain = shows.kind === 'gathered' || (shows.kind === 'field' && !isLink(book, shows.place.field))
          return plain
            ? [{ column, ...(down && { down }), ...(blanks && { blanks }), ...(natural && { natural }) }]
            : []
        }),
      })),
  )
}

/** A column that goes along with the first that has numbers. */
function alongWith(book: Book, columns: readonly Column[], name: Along | undefined): Column[] {
  const number = columns.find(({ shows }) =>
    shows.kind === 'gathered'
      ? !['least', 'greatest'].includes(shows.name)
      : shows.kind === 'field' && ['money', 'whole'].includes(fieldWith(book, shows.place.field).field.kind),
  )
  return number && name ? [{ id: 'd', shows: { kind: 'along', column: number.id, name } }] : []
}

const isLink = (book: Book, field: string) =>
  book.tables.some(({ fields }) => fields.some(({ id, kind }) => id === field && kind === 'link'))
