import { expect, test } from 'vitest'
import { billing } from '@/tests/support/derived-design'
import { field, tie } from '@/tests/support/edits'
import { made } from '@/tests/support/made'
import { type Book, emptyBook, fieldWith, type Form, type FormLines, type FormPart } from '../book'
import { plainLook } from '../kinds'
import { formLayout } from '../records'
import {
  canSum,
  changePart,
  columnsCost,
  findPart,
  formsFor,
  laidAfresh,
  leftOut,
  movePart,
  neighbourOf,
  partsInOrder,
  placePart,
  rowSum,
  shownLines,
  type Side,
  sideAt,
  spotBeside,
  startFaults,
  takeOut,
  widenPart,
} from '.'

const book = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'premises', name: 'Premises', keyField: 'premises-key' },
  ...field('premises', 'access', 'Access', 'line'),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'visit-key' },
  ...field('visit', 'day', 'Day', 'date', { must: true }),
  ...field('visit', 'state', 'State', 'line'),
  ...field('visit', 'note', 'Note', 'passage'),
  tie('premises', 'visit', { link: 'visits', field: 'at' }),
  { kind: 'addTable', id: 'work', name: 'Work line', keyField: 'work-key' },
  ...field('work', 'hours', 'Hours', 'exact'),
  tie('visit', 'work', { link: 'works', field: 'of' }, { bMust: true }),
  { kind: 'changeLink', link: 'works', onRemove: 'remove' },
)

const part = (id: string, span = 4, gap?: number): FormPart => ({ kind: 'field', id, span, ...(gap && { gap }) })
const group = (id: string, span: number, ...lines: FormPart[][]): FormPart => ({
  ...{ kind: 'group', id, span },
  lines: lines as Extract<FormPart, { kind: 'group' }>['lines'],
})
const form = (lines: FormLines, more: Partial<Form> = {}): Form => ({
  ...{ id: 'f', table: 'visit', name: 'Card', lines, without: [] },
  ...more,
})
/** "day 4 · +2 note 6 / …", with what is in a group in brackets. */
const told = (lines: FormLines): string =>
  lines
    .map((line) =>
      line
        .map(
          (one) =>
            `${one.gap ? `+${one.gap} ` : ''}${one.id} ${one.span}${one.kind === 'group' ? `(${told(one.lines)})` : ''}`,
        )
        .join(' · '),
    )
    .join(' / ')

test('without a form the program lays the table out: boxes, then rows', () => {
  expect(told(shownLines(book, 'visit'))).toBe('at 9 · day 3 / state 6 / note 12 / works 12')
  expect(shownLines(book, 'visit').at(-1)).toEqual([{ kind: 'rows', id: 'works', span: 12 }])
})

test('what was added to a table since stands on its form, before the rows; what is gone is out of it', () => {
  const arranged = form([[part('day', 6), part('gone', 6)], [{ kind: 'rows', id: 'works', span: 12 }]], {
    without: ['note'],
  })
  expect(told(shownLines(book, 'visit', arranged))).toMatch(/^day 6 \/ at 9 \/ state 6 \/ works 12$/)
  expect(told(shownLines(book, 'visit', arranged))).not.toContain('note')
})

test('what a linked record says goes when its field or its link goes', () => {
  const linked: FormPart = { kind: 'linked', id: 'l', span: 6, link: 'at', field: 'access' }
  const shows = (of: Book) => findPart(shownLines(of, 'visit', form([[linked]])), 'l') !== undefined
  expect(shows(book)).toBe(true)
  expect(shows(made(book, { kind: 'removeField', field: 'access' }))).toBe(false)
  expect(shows(made(book, { kind: 'untie', tie: 'visits' }))).toBe(false)
})

test('rows show the columns that are left of those chosen, all where none is', () => {
  const rows: FormPart = { kind: 'rows', id: 'works', span: 12, columns: ['hours', 'gone'], sums: ['gone'] }
  expect(findPart(shownLines(book, 'visit', form([[rows]])), 'works')?.part).toEqual({
    ...{ kind: 'rows', id: 'works', span: 12 },
    columns: ['hours'],
  })
})

test('leaving something out says what that costs', () => {
  const lines = takeOut(takeOut(shownLines(book, 'visit'), 'day'), 'state')
  expect(leftOut(book, 'visit', lines)).toEqual([
    { id: 'day', name: 'Day', kind: 'field', cost: 'No new visit can be saved: Day must be filled.', stops: true },
    { id: 'state', name: 'State', kind: 'field', cost: 'Staff can’t fill State here.', stops: false },
  ])
  const withStart = made(book, { kind: 'changeField', field: 'day', to: { startsAs: 'today' } })
  expect(leftOut(withStart, 'visit', lines).map(({ stops }) => stops)).toEqual([false, false])
  expect(leftOut(book, 'visit', takeOut(shownLines(book, 'visit'), 'works')).map(({ cost }) => cost)).toEqual([
    'Staff can’t add work lines here.',
  ])
})

test('what a new record starts with, or is begun from, fills what is left out', () => {
  const day = takeOut(shownLines(book, 'visit'), 'day')
  expect(leftOut(book, 'visit', day, { day: 'today' }).map(({ stops }) => stops)).toEqual([false])
  expect(leftOut(book, 'visit', day, { day: ' ' }).map(({ stops }) => stops)).toEqual([true])
  const linked = made(book, { kind: 'changeLink', link: 'visits', must: true })
  expect(leftOut(linked, 'visit', takeOut(shownLines(linked, 'visit'), 'at'))).toMatchObject([
    {
      cost: 'A new visit can be saved only where it is begun from its premises: Premises must be filled.',
      stops: true,
    },
  ])
})

test('what can’t be read is nothing to start with; a blank is', () => {
  const now = { moment: '2027-03-12T09:30' }
  const faults = (starts: Record<string, string>) =>
    startFaults(book, { table: 'visit', starts }, now).map(({ field: one, problem }) => [one.id, problem.kind])
  expect(faults({ day: 'someday', state: 'done', gone: 'x' })).toMatchObject([['day', expect.any(String)]])
  expect(faults({ day: 'tomorrow', state: ' ' })).toEqual([])
})

test('rows that don’t show what must be filled say so', () => {
  const wanted = made(book, { kind: 'changeField', field: 'hours', to: { must: true } })
  const { insets } = formLayout(wanted, 'visit')
  const rows = (columns?: string[]) => ({ kind: 'rows', id: 'works', span: 12, ...(columns && { columns }) }) as const
  const other = made(wanted, ...field('work', 'what', 'What', 'line'))
  expect(insets.map((inset) => columnsCost(inset, rows()))).toEqual([undefined])
  expect(formLayout(other, 'visit').insets.map((inset) => columnsCost(inset, rows(['what'])))).toEqual([
    'No new work line can be saved: Hours must be filled.',
  ])
})

test('laid afresh, boxes have their usual size again; groups, order and words stay', () => {
  const lines: FormLines = [
    [part('note', 4), part('day', 8)],
    [{ kind: 'words', id: 'w', span: 5, gap: 2, words: 'Then:' }],
    [group('g', 6, [part('state', 12)], [part('at', 2)])],
  ]
  expect(told(laidAfresh(book, 'visit', lines))).toBe('note 12 / day 3 / w 12 / g 12(state 6 / at 9)')
  const beside: FormLines = [[group('g', 6, [part('state', 3)]), group('h', 6)]]
  expect(told(laidAfresh(book, 'visit', beside))).toBe('g 6(state 12) · h 6()')
})

test('sums that were added since go to those that stand there, also in a group', () => {
  const bills = billing().book
  const totals: FormPart = { kind: 'totals', id: 'totals', span: 5, fields: ['total'] }
  const kept = shownLines(bills, 'bill', form([[group('g', 12, [totals])]], { table: 'bill' }))
  const sums = partsInOrder(kept).filter((one) => one.kind === 'totals')
  expect(sums.map(({ id }) => id)).toEqual(['totals'])
  expect(sums[0]?.fields).toEqual([
    'total',
    ...formLayout(bills, 'bill')
      .foot.map(({ id }) => id)
      .filter((id) => id !== 'total'),
  ])
})

test('a form is for those roles it names, or for everybody', () => {
  const forms = [form([], { id: 'a', for: ['staff'] }), form([], { id: 'b' }), form([], { id: 'c', table: 'work' })]
  const of = { ...book, forms }
  expect(formsFor(of, 'visit', 'staff').map(({ id }) => id)).toEqual(['a', 'b'])
  expect(formsFor(of, 'visit', 'reader').map(({ id }) => id)).toEqual(['b'])
})

const two: FormLines = [[part('a'), part('b'), part('c')], [part('d', 12)]]

test('arrow keys move a part along its line, by a column where that is free', () => {
  expect(told(movePart(two, 'b', 'left'))).toBe('b 4 · a 4 · c 4 / d 12')
  expect(told(movePart(two, 'b', 'right'))).toBe('a 4 · c 4 · b 4 / d 12')
  const free = [[part('a', 4), part('b', 4)]]
  const right = movePart(free, 'b', 'right')
  expect(told(right)).toBe('a 4 · +1 b 4')
  expect(told(movePart(right, 'a', 'right'))).toBe('+1 a 4 · b 4')
  expect(told(movePart(right, 'b', 'left'))).toBe('a 4 · b 4')
  expect(movePart(free, 'a', 'left')).toEqual(free)
})

test('up and down lead out of a shared line, past a full one, and beside others where there is room', () => {
  const alone = movePart(two, 'b', 'down')
  expect(told(alone)).toBe('a 4 · c 4 / b 4 / d 12')
  expect(told(movePart(alone, 'b', 'down'))).toBe('a 4 · c 4 / d 12 / b 4')
  expect(told(movePart(alone, 'b', 'up'))).toBe('a 4 · c 4 · b 4 / d 12')
  expect(told(movePart(two, 'd', 'up'))).toBe('d 12 / a 4 · b 4 · c 4')
  expect(movePart(two, 'd', 'down')).toEqual(two)
})

test('a group is gone through: in at its edge, out at the other', () => {
  const lines: FormLines = [[part('a', 6)], [group('g', 6, [part('b', 12)])], [part('c')]]
  const inside = movePart(lines, 'a', 'down')
  expect(told(inside)).toBe('g 6(a 12 / b 12) / c 4')
  const last = movePart(inside, 'a', 'down')
  expect(told(last)).toBe('g 6(b 12 / a 12) / c 4')
  expect(told(movePart(last, 'a', 'down'))).toBe('g 6(b 12) / a 6 / c 4')
})

test('put between others, a part has room made for it; where there is none it comes beneath', () => {
  expect(told(placePart(two, 'd', { line: 0, at: 1 }))).toBe('a 3 · d 3 · b 3 · c 3')
  const full: FormLines = [['a', 'b', 'c', 'e', 'f', 'g'].map((id) => part(id, 2)), [part('d', 12)]]
  expect(told(placePart(full, 'd', { line: 0, at: 0 }))).toBe(told(full))
  const grouped: FormLines = [[group('g', 12)], [group('h', 12)]]
  expect(placePart(grouped, 'g', { group: 'h', line: 0 })).toEqual(grouped)
})

test('made wider, a part takes what is empty, then from its neighbour, never more than that can spare', () => {
  expect(told(widenPart(two, 'c', 1))).toBe(told(two))
  expect(told(widenPart(two, 'a', 1))).toBe('a 5 · b 3 · c 4 / d 12')
  expect(told(widenPart(two, 'a', 9))).toBe('a 6 · b 2 · c 4 / d 12')
  expect(told(widenPart(two, 'c', -9))).toBe('a 4 · b 4 · c 2 / d 12')
})

test('let go near an edge a part has a line of its own, else it stands beside; a group takes it in', () => {
  expect([sideAt('field', 0.2, 0.5), sideAt('field', 0.8, 0.5)]).toEqual(['before', 'after'])
  expect([sideAt('field', 0.2, 0.1), sideAt('field', 0.8, 0.9)]).toEqual(['above', 'below'])
  expect([sideAt('group', 0.5, 0.5), sideAt('group', 0.02, 0.5)]).toEqual(['into', 'before'])
  const lines: FormLines = [[part('a', 6), group('g', 6, [part('b', 12)])]]
  const spot = (id: string, side: Side) => spotBeside(lines, id, side)
  expect(spot('a', 'after')).toEqual({ line: 0, at: 1 })
  expect(spot('b', 'below')).toEqual({ group: 'g', line: 1 })
  expect(spot('g', 'into')).toEqual({ group: 'g', line: 1 })
  expect(spot('nobody', 'before')).toBe(undefined)
})

test('the next part is the one that is read after it, not one within it', () => {
  const lines: FormLines = [[group('g', 6, [part('b', 12)]), part('a', 6)]]
  expect(['g', 'b', 'a', 'nobody'].map((id) => neighbourOf(lines, id))).toEqual(['a', 'a', 'b', undefined])
})

test('a part is changed, and what is undefined is taken out of it', () => {
  const named = changePart(two, 'a', { label: 'Name' })
  expect(findPart(named, 'a')?.part).toMatchObject({ label: 'Name' })
  expect(changePart(named, 'a', { label: undefined })).toEqual(two)
})

test('rows are added up exactly, blanks let be', () => {
  expect(rowSum(['0.10', '0.20', null, '-3'])).toBe('-2.70')
  expect(rowSum(['0.10', undefined])).toBe(undefined)
  expect(rowSum([])).toBe('0')
  expect([canSum(book, fieldWith(book, 'hours').field), canSum(book, fieldWith(book, 'day').field)]).toEqual([
    true,
    false,
  ])
})
