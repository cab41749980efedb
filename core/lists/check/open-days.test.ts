import { expect, test } from 'vitest'
import { type Span, tableOf } from '../../book'
import { evaluate, type Tree } from '../../expressions'
import { shifted } from '../../kinds'
import { askedBook } from '@/tests/support/asked-design'
import { openWithin } from './open-days'
import { daysOf } from './spans'

const units = ['day', 'week', 'month', 'quarter', 'year'] as const
const spans: Span[] = (['this', 'last', 'next'] as const).flatMap((which) =>
  units.flatMap((unit): Span[] => [
    { which, unit },
    ...(which === 'this' ? [] : [1, 13].map((count) => ({ which, unit, count }))),
  ]),
)
// The ends of months and years, a leap day, and each day of a week.
const days = ['2027-03-12', '2027-01-01', '2026-12-31', '2028-02-29', '2027-03-31', '2027-10-01', '2027-09-30']
const week = Array.from({ length: 7 }, (_, at) => `2027-05-${String(at + 3).padStart(2, '0')}`)
const moved = (day: string, by: number) => shifted(day, by, 'DAY')!

test.each(['Monday', 'Sunday', 'Saturday'] as const)(
  'what lies in a stretch told from whatever day it is lies in that told from that day, weeks beginning on a %s',
  (weekStart) => {
    const plain = askedBook()
    const book = { ...plain, look: { ...plain.look, weekStart } }
    for (const span of spans)
      for (const today of [...days, ...week]) {
        const { from, until } = daysOf(span, today, book.look)
        const isIn = (day: string, moment: boolean) => {
          const of: Tree = moment
            ? { kind: 'literal', value: `${day}T23:59`, type: { is: 'moment' } }
            : { kind: 'literal', value: day, type: { is: 'date' } }
          const tree = openWithin(book, tableOf(book, 'visit'), of, span)
          return evaluate(tree, { fact: () => null, rows: () => [] } as never, { moment: `${today}T09:30` })
        }
        const near = [moved(from, -1), from, moved(until, -1), until]
        const told = (moment: boolean) => near.map((day) => isIn(day, moment))
        expect({ span, today, told: told(false) }).toEqual({ span, today, told: ['0', '1', '1', '0'] })
        expect({ span, today, told: told(true) }).toEqual({ span, today, told: ['0', '1', '1', '0'] })
      }
  },
)
