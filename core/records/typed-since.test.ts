import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { FormText, RowText } from './form-text'
import { marked, typedSince } from './typed-since'

const form = (text: Record<string, string>, labels: Record<string, string> = {}): FormText => ({
  text,
  labels,
  insets: {},
})
const saved = { ...form({ name: 'Oak', note: '', number: 'V-1' }, { client: 'Averil' }), insets: { lines: [] } }

test('nothing typed since is nothing', () => {
  expect(typedSince(form({ name: ' Oak', note: '' }), form({ name: ' Oak', note: '' }), saved)).toBeUndefined()
})

test('what was typed since stands on what was saved, with what linked records are known by', () => {
  const now = form({ name: ' Oak', note: 'Ring first', client: '7' }, { client: 'Bram' })
  expect(typedSince(form({ name: ' Oak', note: '', client: '3' }), now, saved)).toEqual({
    text: { name: 'Oak', note: 'Ring first', number: 'V-1', client: '7' },
    labels: { client: 'Bram' },
    insets: { lines: [] },
  })
})

const row = (ref: string | null, text: Record<string, string>, more: Partial<RowText> = {}): RowText => ({
  ref,
  rev: ref === null ? null : 1,
  text,
  labels: {},
  removed: false,
  ...more,
})
const withRows = (...rows: RowText[]): FormText => ({ text: {}, labels: {}, insets: { lines: rows } })
const since = (sent: FormText, now: FormText, stored: FormText) => typedSince(sent, now, stored)?.insets.lines

const fresh = row(null, { item: 'SWEEP', quantity: '2' }, { mark: 'a' })
const kept = row('L-1', { item: 'SWEEP', quantity: '2' })

test('rows that nobody touched since are the saved ones, new rows and struck ones too', () => {
  const gone = row('L-0', { item: 'SMOKE' }, { removed: true })
  expect(since(withRows(gone, fresh), withRows(gone, fresh), withRows(kept))).toBeUndefined()
  // An empty row that was never saved goes, as it always did.
  expect(
    since(
      withRows(fresh, row(null, { item: '' }, { mark: 'b' })),
      withRows(fresh, row(null, { item: '' }, { mark: 'b' })),
      withRows(kept),
    ),
  ).toBeUndefined()
})

test('a row added since stands below the saved ones', () => {
  const added = row(null, { item: 'SMOKE' }, { mark: 'b' })
  expect(since(withRows(fresh), withRows(fresh, added), withRows(kept))).toEqual([kept, added])
})

test('what was typed since into a row that was being saved stands on the saved row', () => {
  const now = { ...fresh, text: { ...fresh.text, quantity: '3' } }
  expect(since(withRows(fresh), withRows(now), withRows(kept))).toEqual([
    { ...kept, text: { item: 'SWEEP', quantity: '3' } },
  ])
  const stored = row('L-1', { item: 'SWEEP', quantity: '1' })
  expect(since(withRows(stored), withRows({ ...stored, text: now.text }), withRows({ ...stored, rev: 2 }))).toEqual([
    { ...stored, rev: 2, text: now.text },
  ])
})

test('a row taken out since is struck out, and one that was empty may have come to hold something', () => {
  const empty = row(null, { item: '' }, { mark: 'b' })
  const filled = { ...empty, text: { item: 'SMOKE' } }
  expect(since(withRows(fresh, empty), withRows(filled), withRows(kept))).toEqual([{ ...kept, removed: true }, filled])
  const stored = row('L-1', { item: 'SWEEP' })
  expect(since(withRows(stored), withRows({ ...stored, removed: true }), withRows(stored))).toEqual([
    { ...stored, removed: true },
  ])
})

test('of several new rows each is known again, in whatever order they come back', () => {
  const [one, other] = [row(null, { item: 'SWEEP' }, { mark: 'a' }), row(null, { item: 'SMOKE' }, { mark: 'b' })]
  const [first, second] = [
    row('V, SMOKE', { item: 'SMOKE', price: '42' }),
    row('V, SWEEP', { item: 'SWEEP', price: '62' }),
  ]
  expect(
    since(
      withRows(one, other),
      withRows(one, { ...other, text: { item: 'SMOKE', price: '40' } }),
      withRows(first, second),
    ),
  ).toEqual([{ ...first, text: { item: 'SMOKE', price: '40' } }, second])
})

test('a row whose key was changed is known again by what stands in it', () => {
  const sent = row('SWEEP', { code: 'SMOKE', price: '62' })
  const stored = row('SMOKE', { code: 'SMOKE', price: '62' })
  const other = row('CAP', { code: 'CAP', price: '9' })
  expect(
    since(
      withRows(sent, other),
      withRows({ ...sent, text: { ...sent.text, price: '64' } }, other),
      withRows(other, stored),
    ),
  ).toEqual([other, { ...stored, text: { code: 'SMOKE', price: '64' } }])
})

test('rows that were new keep their marks once they are saved, and when they are saved again', () => {
  const once = marked(withRows(row('L-0', { item: 'CAP' }), fresh), withRows(row('L-0', { item: 'CAP' }), kept))
  expect(once.insets.lines!.map(({ ref, mark }) => [ref, mark])).toEqual([
    ['L-0', undefined],
    ['L-1', 'a'],
  ])
  const again = marked(once, withRows({ ...kept, rev: 2 }))
  expect(again.insets.lines).toEqual([{ ...kept, rev: 2, mark: 'a' }])
})

test('a row whose key was changed goes by the key it had, unless another row has that now', () => {
  const sent = row('SWEEP', { code: 'SMOKE', price: '62' })
  const stored = row('SMOKE', { code: 'SMOKE', price: '62' })
  const once = marked(withRows(sent), withRows(stored))
  expect(once.insets.lines).toEqual([{ ...stored, mark: 'SWEEP' }])
  expect(marked(once, withRows({ ...stored, rev: 2 })).insets.lines).toEqual([{ ...stored, rev: 2, mark: 'SWEEP' }])
  const others = row('SWEEP', { code: 'SWEEP', price: '1' }, { rev: 7 })
  expect(marked(once, withRows(stored, others)).insets.lines).toEqual([stored, others])
})

test('whatever is typed since, no row added is lost and no saved one doubled', () => {
  const words = fc.constantFrom('', 'SWEEP', 'SMOKE', 'CAP')
  const rows = fc.array(fc.record({ item: words, note: words }), { maxLength: 5 })
  fc.assert(
    fc.property(rows, rows, fc.array(fc.nat(4), { maxLength: 3 }), (typed, later, dropped) => {
      const sent = typed.map((text, at) => row(null, text, { mark: `s${at}` }))
      const added = later.map((text, at) => row(null, text, { mark: `n${at}` }))
      const stored = typed.map((text, at) => row(`L-${at}`, text))
      const now = [...sent.filter((_, at) => !dropped.includes(at)), ...added]
      const shown = since(withRows(...sent), withRows(...now), withRows(...stored)) ?? stored
      expect(shown.filter(({ ref }) => ref !== null).map(({ ref }) => ref)).toEqual(stored.map(({ ref }) => ref))
      expect(shown.filter(({ ref }) => ref === null)).toEqual(added)
      const struck = new Set(dropped.filter((at) => at < typed.length)).size
      expect(shown.filter(({ removed }) => removed)).toHaveLength(struck)
    }),
  )
})
