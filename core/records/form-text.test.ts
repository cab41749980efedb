import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { tie } from '@/tests/support/edits'
import { made } from '@/tests/support/made'
import type { ListRow } from './list-row'
import { changedRecord, checkForm, shownTables, formLayout, formTextOf, newRowText, type FormText } from '.'

const { book } = emberlyDesign()
const now = { moment: '2027-03-12T09:30' }
const crew = formLayout(book, 'visit').insets.find((inset) => inset.table.id === 'visit-technician')!

const row = (ref: string, values: Record<string, string | null>, labels = {}): ListRow => ({
  ref,
  label: ref,
  values,
  labels,
  rev: 3,
  changedAt: '',
  changedBy: null,
  cursor: [],
})
const stored = {
  row: row(
    'V-00001',
    {
      visit__key: 'V-00001',
      visit__premises: 'P-0001',
      'visit__booked-for': '2027-03-12T09:30',
      visit__state: 'booked',
      'visit__ladder-height': '6.5',
    },
    { visit__premises: '14 Quay Lane' },
  ),
  children: {
    [crew.link.id]: [row('V-00001~1', { 'visit-technician__technician': '1', 'visit-technician__leads': '1' })],
  },
}
const form = (change: (text: FormText) => FormText = (text) => text) => change(formTextOf(book, 'visit', stored, now))
const typed =
  (id: string, words: string) =>
  (text: FormText): FormText => ({ ...text, text: { ...text.text, [id]: words } })

test('a stored record stands in its form the way the book writes it', () => {
  expect(form().text).toMatchObject({
    'visit__booked-for': '12 Mar 2027, 09:30',
    'visit__ladder-height': '6.5',
    visit__premises: 'P-0001',
  })
  expect(form().labels.visit__premises).toBe('14 Quay Lane')
})

test('only what was changed is sent', () => {
  const text = form(typed('visit__ladder-height', '7'))
  const checked = checkForm(book, 'visit', text, now)
  expect(changedRecord(book, 'visit', form(), text, checked, now)).toMatchObject({
    values: { 'visit__ladder-height': '7.0' },
    children: [],
  })
})

test('a row added and left alone is neither checked nor sent; one half filled is', () => {
  const added = newRowText(book, crew, now)
  const withRow = (more: FormText['insets'][string][number]) =>
    form((text) => ({ ...text, insets: { ...text.insets, [crew.link.id]: [...text.insets[crew.link.id]!, more] } }))
  const alone = withRow(added)
  expect(checkForm(book, 'visit', alone, now).sound).toBe(true)
  expect(changedRecord(book, 'visit', form(), alone, checkForm(book, 'visit', alone, now), now).children).toEqual([])
  const half = withRow({ ...added, text: { ...added.text, 'visit-technician__leads': 'yes' } })
  expect(checkForm(book, 'visit', half, now).rows[crew.link.id]![1]!.problems).toHaveProperty(
    'visit-technician__technician',
  )
})

test('a removed row is sent as removed, with the place it had in the form', () => {
  const text = form((before) => ({
    ...before,
    insets: {
      ...before.insets,
      [crew.link.id]: before.insets[crew.link.id]!.map((one) => ({ ...one, removed: true })),
    },
  }))
  const { children, places } = changedRecord(book, 'visit', form(), text, checkForm(book, 'visit', text, now), now)
  expect(children[0]!.rows).toEqual([{ ref: 'V-00001~1', rev: 3, values: {}, removed: true }])
  expect(places).toEqual([{ link: crew.link.id, sent: 0, at: 0 }])
})

test('short fields stand side by side, passages take a row, and no row is wider than twelve', () => {
  const { rows, insets } = formLayout(book, 'visit')
  expect(rows.every((placed) => placed.reduce((sum, { span }) => sum + span, 0) <= 12)).toBe(true)
  expect(rows.map((row) => row.map(({ field }) => field.name))).toContainEqual(['Note'])
  expect(insets.map((inset) => inset.table.name)).toEqual([
    'Visit technician',
    'Visit appliance',
    'Work line',
    'Visit part',
  ])
})

test('staff go to tables that stand by themselves; parts of others and joining tables are inset', () => {
  expect(shownTables(book).main.map((table) => table.name)).not.toContain('Work line')
  expect(shownTables(book).lists.map((table) => table.name)).toEqual(['Fuel', 'Role', 'Way of paying'])
  // A part that something else is linked to is looked for by itself.
  const guarantee = made(
    book,
    { kind: 'addTable', id: 'guarantee', name: 'Guarantee', keyField: 'guarantee-key' },
    tie('work-line', 'guarantee', { link: 'guaranteed', field: 'guarantee-of' }),
  )
  expect(shownTables(guarantee).main.map((table) => table.name)).toContain('Work line')
})
