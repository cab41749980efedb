import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import { runs } from '@/tests/support/runs'
import type { List } from '../../book'
import { fromExact, toExact } from '../../kinds'
import { readList } from '../check/check-list'
import { ShownSums } from './shown-sums'

const book = askedBook()
const list: List = {
  id: 'list',
  table: 'visit',
  columns: [
    { id: 'price', shows: { kind: 'field', place: { way: [], field: 'visit_price' } } },
    { id: 'paid', shows: { kind: 'gathered', way: [{ to: 'rows', link: 'visit--payment' }], name: 'count' } },
    {
      id: 'floors',
      shows: { kind: 'field', place: { way: [{ to: 'one', field: 'visit__house' }], field: 'house_floors' } },
    },
  ],
  asks: [],
  order: [],
  figures: [{ column: 'price', name: 'total' }, { column: 'paid' }, { column: 'floors', name: 'total' }],
}
const found = readList(book, list, { given: {}, now: { moment: '2027-03-12T10:00' } })
if (!('read' in found)) throw new Error('The list cannot be read.')
const { read } = found
const sumsOf = (shown = ['price', 'paid', 'floors'], more = {}) =>
  new ShownSums(book, { ...read, ...more }, new Set(shown))

describe('what stands above a sum', () => {
  test('is said where it isn’t that sum, with the reason', () => {
    const sums = sumsOf()
    sums.row({ price: '1.10', paid: '2', floors: '3' })
    sums.row({ price: '2.20', paid: '0', floors: '3' })
    expect(sums.end({ count: 2, figures: { price: '3.31', paid: '3', floors: '3' } })).toEqual([
      'Price: the rows above add up to 3.30.',
      'Payments: the rows above add up to 2.',
      'Floors: each house counts once; the rows above add up to 6.',
    ])
  })

  test('is rounded where it is measured', () => {
    const measured = { id: 'reading', name: 'Reading', kind: 'measured' } as const
    const sums = sumsOf(['price'], { figures: [{ ...read.figures[0], face: measured }] })
    sums.row({ price: '100000000000000' })
    sums.row({ price: '0.125' })
    expect(sums.end({ count: 2, figures: { price: '100000000000000' } })).toEqual([
      'Price: rounded; the rows above add up to 100,000,000,000,000.125.',
    ])
  })

  test('is of no interest where its column isn’t shown, or is something else than a total', () => {
    const sums = sumsOf(['paid'])
    sums.row({ price: '1.10', paid: '2', floors: '3' })
    expect(sums.end({ count: 1, figures: { price: '9.00', paid: '2', floors: '9' } })).toEqual([])
    const average = sumsOf(['price'], { figures: read.figures.map((one) => ({ ...one, name: 'average' as const })) })
    average.row({ price: '1.10' })
    average.row({ price: '2.20' })
    expect(average.end({ count: 2, figures: { price: '1.65' } })).toEqual([])
  })

  test('is not the whole where fewer records are shown than there are, and is that where all of them are', () => {
    const end = (count: number) => {
      const sums = sumsOf(['price', 'floors'])
      sums.row({ price: '1.10', floors: '3' })
      return sums.end({ count, figures: { price: count === 1 ? '1.10' : '3.30', floors: '2' } })
    }
    expect(end(3)).toEqual([
      'Price: not all of it is shown; the rows above add up to 1.10.',
      'Floors: not all of it is shown; the rows above add up to 3.',
    ])
    expect(end(1)).toEqual(['Floors: each house counts once; the rows above add up to 3.'])
  })

  test('adds up through groups within groups: nothing is said where every sum is right, and each that isn’t is named', () => {
    const amount = fc.oneof(
      fc.integer({ min: -1e12, max: 1e12 }).map((pence) => fromExact(BigInt(pence), 2)),
      fc.constant(null),
    )
    const groups = fc.array(fc.array(fc.array(amount, { maxLength: 5 }), { maxLength: 4 }), { maxLength: 4 })
    const sumOf = (all: readonly (string | null)[]) =>
      fromExact(
        all.reduce((sum, one) => sum + toExact(one ?? '0', 2), 0n),
        2,
      )
    fc.assert(
      fc.property(groups, fc.nat(), (all, wrongAt) => {
        const sums = sumsOf(['price'])
        const ends = all.flat().length + all.length + 1
        let at = 0
        const end = (values: readonly (string | null)[]) => {
          const right = sumOf(values)
          const isWrong = at++ === wrongAt % ends
          const price = isWrong ? fromExact(toExact(right, 2) + 1n, 2) : right
          const said = sums.end({ count: values.length, figures: { price } })
          expect(said).toHaveLength(isWrong ? 1 : 0)
        }
        for (const outer of all) {
          sums.begin()
          for (const inner of outer) {
            sums.begin()
            for (const price of inner) sums.row({ price })
            end(inner)
          }
          end(outer.flat())
        }
        end(all.flat(2))
      }),
      runs(200),
    )
  })
})
