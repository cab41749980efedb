import type { Block, Column, Inline, Letterhead, Template } from '@/core/book'
import { type Filled, documentMeasures, layDocument, type Page, readTemplate } from '@/core/reports'
import { wordProblem } from '@/core/words'
import { askedBook } from './asked-design'
import { textsOn } from './page-laws'

export const book = askedBook()
export const answers = { given: {}, now: { moment: '2027-03-12T10:00' } }
export const said = { today: '2027-03-12', who: 'Averil', book: 'Asked' }
export const own = (id: string, field: string, ...way: string[]): Column => ({
  id,
  shows: { kind: 'field', place: { way: way.map((one) => ({ to: 'one' as const, field: one })), field } },
})
export const columns = [
  own('day', 'visit_day'),
  own('price', 'visit_price'),
  own('state', 'visit_state'),
  own('town', 'house_town', 'visit__house'),
  own('floors', 'house_floors', 'visit__house'),
]
export const text = (words: string, bold?: true): Inline => ({ kind: 'text', words, ...(bold && { bold }) })
export const field = (column: string, more: Partial<Extract<Inline, { kind: 'field' }>> = {}): Inline => ({
  kind: 'field',
  column,
  ...more,
})
export const words = (...of: Inline[]): Block => ({ kind: 'words', of })
export const rows: Block = {
  kind: 'rows',
  id: 'paid',
  way: [{ to: 'rows', link: 'visit--payment' }],
  columns: [own('when', 'payment_paid'), own('amount', 'payment_amount')],
  order: [],
  figures: [{ column: 'amount', name: 'total' }],
  heading: 'Paid',
  none: 'Nothing was paid yet.',
}
export const template = (blocks: readonly Block[], more: Partial<Template> = {}): Template => ({
  id: 'bill',
  table: 'visit',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  columns,
  blocks,
  ...more,
})
export const filled = (more: Partial<Filled> = {}): Filled => ({
  ref: '7',
  label: 'Visit 7',
  cells: { day: '2027-03-12', price: '104.50', state: 'done', town: 'Otterby', floors: '3' },
  rows: {
    paid: {
      rows: [
        ['1 Mar 2027', '60.00'],
        ['2 Mar 2027', '44.50'],
      ],
      sums: ['', '104.50'],
    },
  },
  holds: new Set(),
  ...more,
})

export function laid(one: Template, of: Filled = filled(), letterhead?: Letterhead): Page[] {
  const found = readTemplate(book, one, answers)
  if (!('read' in found)) throw new Error(found.faults.map(({ problem }) => wordProblem(problem)).join(' '))
  return layDocument({ book, read: found.read, filled: of, said, measures: documentMeasures(found.read) }, letterhead)
}
export const linesOf = (page: Page | undefined) => (page ? textsOn(page).map((item) => item.words) : [])
/** Its texts in the order of its lines, those of one line as one. */
export const readOut = (page: Page) => {
  const lines = new Map<number, string>()
  for (const item of textsOn(page)) lines.set(item.y, (lines.get(item.y) ?? '') + item.words)
  return [...lines.entries()].sort(([a], [b]) => a - b).map(([, one]) => one)
}
