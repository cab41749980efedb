import { expect, test } from 'vitest'
import { billing } from '@/tests/support/derived-design'
import { unmatched } from '../kinds'
import { formLayout, insetLimit, newRowText, pasteRows, type RowText } from '.'

const { book } = billing()
const now = { moment: '2027-03-12T09:30' }
const inset = formLayout(book, 'bill').insets.find(({ link }) => link.id === 'line-bill-link')!
const columns = inset.fields.filter(({ id }) => id !== 'line-key')
const nameOf = (id: string) => columns.find((field) => field.id === id)!.name
const row = (text: Record<string, string>, more: Partial<RowText> = {}): RowText => {
  const fresh = newRowText(book, inset, now)
  return { ...fresh, text: { ...fresh.text, ...text }, ...more }
}
const paste = (
  cells: readonly (readonly string[])[],
  rows: readonly RowText[] = [row({})],
  at = 0,
  from = 'quantity',
) => pasteRows({ ...{ book, inset, rows, columns, at, from, cells, now }, freshMark: () => 'fresh' })
const told = ({ rows }: { readonly rows: readonly RowText[] }) =>
  rows.map(({ text }) => [text.quantity, text['line-item'], text['line-amount']])

test('a block goes rightwards and downwards; rows are added, what is worked out is let be', () => {
  expect(columns.map(({ id }) => id)).toEqual(['line-item', 'quantity', 'price', 'line-amount'])
  const cells = [
    ['Sweep', '2', '9'],
    ['', '3', '8'],
  ]
  const pasted = paste(cells, [row({})], 0, 'line-item')
  expect(told(pasted)).toEqual([
    ['2', unmatched('Sweep'), ''],
    ['3', '', ''],
  ])
  expect(pasted.rows[1]).toMatchObject({ ref: null, mark: 'fresh' })
  expect(pasted).toMatchObject({ written: 2, over: 0, beyond: 0 })
})

test('names of columns in the first row say what goes where, and what goes nowhere', () => {
  const pasted = paste([
    [nameOf('line-item').toUpperCase(), ` ${nameOf('quantity')} `, 'Remark'],
    ['Sweep', '2', 'in the yard'],
  ])
  expect(told(pasted)).toEqual([['2', unmatched('Sweep'), '']])
  expect(pasted).toMatchObject({ written: 1, beyond: 1 })
})

test('what is read is written as the book writes it; what can’t be read stays to be marked', () => {
  expect(told(paste([['2*3'], ['007'], ['a few'], [' ']])).map(([quantity]) => quantity)).toEqual([
    '6',
    '7',
    'a few',
    '',
  ])
})

test('rows to be taken out are passed over, those beyond what a form holds are counted', () => {
  const gone = row({ quantity: '7' }, { ref: '1', removed: true })
  expect(told(paste([['2'], ['3']], [row({}), gone])).map(([quantity]) => quantity)).toEqual(['2', '7', '3'])
  const many = Array.from({ length: insetLimit + 5 }, () => ['1'])
  expect(paste(many)).toMatchObject({ written: insetLimit, over: 5 })
  expect(paste([['2', '', '', 'too far', 'out']]).beyond).toBe(2)
})
