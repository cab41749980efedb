import { expect, test } from 'vitest'
import { billing } from '@/tests/support/derived-design'
import type { ListRow } from './list-row'
import { checkForm, type FormText, formTextOf, liveValues, newRowText, formLayout, type Values } from '.'

const { book } = billing()
const now = { moment: '2027-03-12T09:30' }
const prices: Record<string, string> = { '1': '62.00', '2': '31.50' }

const row = (ref: string, values: Record<string, string | null>): ListRow => ({
  ref,
  label: ref,
  values,
  labels: {},
  rev: 1,
  changedAt: '',
  changedBy: null,
  cursor: [],
})

/** A bill as it is stored: one line of two sweeps, part of it paid. */
const stored = {
  row: row('1', {
    'bill-customer': '7',
    state: 'open',
    'bill-town': 'Otterby',
    total: '124.00',
    paid: '24.00',
    owed: '100.00',
    lines: '1',
  }),
  children: {
    'line-bill-link': [row('5', { quantity: '2', 'line-item': '1', price: '62.00', 'line-amount': '124.00' })],
  },
}

function live(of: typeof stored | undefined, change: (form: FormText) => void, coming = false) {
  const form = structuredClone<FormText>(formTextOf(book, 'bill', of, now))
  change(form)
  return liveValues({
    book,
    tableId: 'bill',
    form,
    checked: checkForm(book, 'bill', form, now),
    stored: of,
    linked: (field, ref): Values | undefined =>
      coming ? undefined : field === 'line-item' ? { 'list-price': prices[ref] ?? null } : { town: `town of ${ref}` },
    now,
  })
}
const rowsOf = (form: FormText) =>
  form.insets['line-bill-link'] as unknown as { text: Record<string, string>; removed: boolean }[]
const inset = formLayout(book, 'bill').insets.find((one) => one.link.id === 'line-bill-link')!
const another = (quantity: string, item: string) => {
  const fresh = newRowText(book, inset, now)
  return { ...fresh, text: { ...fresh.text, quantity, 'line-item': item } }
}

test('untouched, a form shows what is stored', () => {
  const { own, rows } = live(stored, () => undefined)
  expect(own).toMatchObject({ total: '124.00', paid: '24.00', owed: '100.00', lines: '1' })
  expect(rows['line-bill-link']).toMatchObject([{ price: '62.00', 'line-amount': '124.00' }])
})

test('a total moves as its rows are typed, added and taken out, and what hangs elsewhere stays', () => {
  const typed = live(stored, (form) => (rowsOf(form)[0]!.text.quantity = '3'))
  expect(typed.own).toMatchObject({ total: '186.00', paid: '24.00', printed: '186.00' })
  const added = live(stored, (form) => rowsOf(form).push(another('1', '2')))
  expect(added.own).toMatchObject({ total: '155.50', lines: '2' })
  expect(added.rows['line-bill-link']?.[1]).toMatchObject({ price: '31.50', 'line-amount': '31.50' })
  const out = live(stored, (form) => (rowsOf(form)[0]!.removed = true))
  expect(out.own).toMatchObject({ total: null, lines: '0', printed: '0.00' })
})

test('a row that nobody has touched counts for nothing', () => {
  const { own } = live(stored, (form) => rowsOf(form).push(newRowText(book, inset, now)))
  expect(own).toMatchObject({ lines: '1', total: '124.00' })
})

test('a copy stays while its link does, whatever the price is now, and is taken anew with another', () => {
  const old = {
    ...stored,
    children: { 'line-bill-link': [row('5', { quantity: '2', 'line-item': '1', price: '50.00' })] },
  }
  expect(live(old, () => undefined).own).toMatchObject({ total: '100.00' })
  expect(live(old, (form) => (rowsOf(form)[0]!.text['line-item'] = '2')).own).toMatchObject({ total: '63.00' })
})

test('what is still on its way shows nothing yet, and neither does what needs it', () => {
  const { own, rows } = live(undefined, (form) => rowsOf(form).push(another('1', '2')), true)
  expect(rows['line-bill-link']?.[0]).toEqual({ price: undefined, 'line-amount': undefined })
  expect(own.total).toBeUndefined()
  expect(own.lines).toBe('1')
})

test('borrowed facts follow the link that is picked', () => {
  expect(live(undefined, (form) => ((form.text as Record<string, string>)['bill-customer'] = '9')).own).toMatchObject({
    'bill-town': 'town of 9',
  })
})

test('what was frozen stays so until its moment is undone', () => {
  const frozen = { ...stored, row: row('1', { ...stored.row.values, state: 'sent', printed: '90.00' }) }
  const grow = (form: FormText) => (rowsOf(form)[0]!.text.quantity = '4')
  expect(live(frozen, grow).own).toMatchObject({ total: '248.00', printed: '90.00' })
  const undone = live(frozen, (form) => {
    grow(form)
    ;(form.text as Record<string, string>).state = 'open'
  })
  expect(undone.own).toMatchObject({ printed: '248.00' })
})
