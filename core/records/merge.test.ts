import fc from 'fast-check'
import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import {
  asNew,
  differences,
  type FormText,
  formLayout,
  mergedForm,
  type RowText,
  type Side,
  type Typed,
  type Versions,
} from '.'

const { book } = emberlyDesign()
const inset = formLayout(book, 'visit').insets.find((one) => one.table.id === 'work-line')!
const link = inset.link.id
const [item, quantity] = ['work-line__service-item', 'work-line__quantity']
const row = (ref: string | null, text: Typed, more: Partial<RowText> = {}): RowText => ({
  ref,
  rev: ref === null ? null : 1,
  text,
  labels: text[item] ? { [item]: `Work ${text[item]}` } : {},
  removed: false,
  ...more,
})
const form = (rows: readonly RowText[], text: Typed = {}): FormText => ({ text, labels: {}, insets: { [link]: rows } })
const line = (ref: string | null, what: string, many: string, more: Partial<RowText> = {}) =>
  row(ref, { [item]: what, [quantity]: many }, more)
const told = (versions: Versions) =>
  differences(book, 'visit', versions).map(({ row, field, mine, theirs, usual }) =>
    [row?.words, field?.name, mine, theirs, usual].join(' · '),
  )
const merged = (versions: Versions, choices: Readonly<Record<string, Side>> = {}) =>
  mergedForm(book, 'visit', versions, new Map(Object.entries(choices)))
const rows = (text: FormText) =>
  text.insets[link]!.map(({ ref, text: its, removed }) => [ref, its[item], its[quantity], removed])

test('where both changed one row its values stand side by side, and each is chosen by itself', () => {
  const versions = {
    start: form([line('1', 'SWEEP', '1')]),
    mine: form([line('1', 'SMOKE', '2')]),
    theirs: form([line('1', 'SWEEP', '3', { rev: 2 })]),
  }
  expect(told(versions)).toEqual([
    'Work SWEEP, 1 · Service item · Work SMOKE · Work SWEEP · mine',
    'Work SWEEP, 1 · Quantity · 2 · 3 · mine',
  ])
  expect(rows(merged(versions))).toEqual([['1', 'SMOKE', '2', false]])
  expect(rows(merged(versions, { [`${link}/1/${quantity}`]: 'theirs' }))).toEqual([['1', 'SMOKE', '3', false]])
  // It is their row that is changed now.
  expect(merged(versions).insets[link]![0]!.rev).toBe(2)
})

test('a row taken out here that they changed is asked about, and kept unless it is chosen', () => {
  const versions = {
    start: form([line('1', 'SWEEP', '1')]),
    mine: form([line('1', 'SWEEP', '1', { removed: true })]),
    theirs: form([line('1', 'SWEEP', '4')]),
  }
  expect(told(versions)).toEqual(['Work SWEEP, 1 ·  ·  · Quantity: 4 · theirs'])
  expect(rows(merged(versions))).toEqual([['1', 'SWEEP', '4', false]])
  expect(rows(merged(versions, { [`${link}/1`]: 'mine' }))).toEqual([['1', 'SWEEP', '4', true]])
})

test('a row that they took out and I changed is entered anew unless it is let go', () => {
  const versions = {
    start: form([line('1', 'SWEEP', '1'), line('2', 'SMOKE', '1')]),
    mine: form([line('1', 'SWEEP', '5'), line('2', 'SMOKE', '1')]),
    theirs: form([]),
  }
  expect(told(versions)).toEqual(['Work SWEEP, 1 ·  · Quantity: 5 ·  · mine'])
  expect(rows(merged(versions))).toEqual([[null, 'SWEEP', '5', false]])
  expect(rows(merged(versions, { [`${link}/1`]: 'theirs' }))).toEqual([])
})

test('rows that one of us alone added, changed or took out need no choice', () => {
  const versions = {
    start: form([line('1', 'A', '1'), line('2', 'B', '1'), line('3', 'C', '1')]),
    mine: form([
      line('1', 'A', '1', { removed: true }),
      line('2', 'B', '1'),
      line('3', 'C', '1'),
      line(null, 'D', '1'),
    ]),
    theirs: form([line('1', 'A', '1'), line('2', 'B', '7'), line('9', 'E', '1')]),
  }
  // The one that they alone changed is said, with theirs chosen.
  expect(told(versions)).toEqual(['Work B, 1 · Quantity · 1 · 7 · theirs'])
  expect(rows(merged(versions))).toEqual([
    ['1', 'A', '1', true],
    ['2', 'B', '7', false],
    ['9', 'E', '1', false],
    [null, 'D', '1', false],
  ])
})

test('a record that is gone is entered anew with the rows that weren’t taken out', () => {
  expect(rows(asNew(form([line('1', 'A', '1'), line('2', 'B', '2', { removed: true })])))).toEqual([
    [null, 'A', '1', false],
  ])
})

test('what one alone changed is in the outcome, whatever both did, and every choice is kept', () => {
  const texts = fc.constantFrom('1', '2', '3')
  const version = fc.tuple(texts, texts, fc.boolean())
  const side = fc.constantFrom<Side>('mine', 'theirs')
  fc.assert(
    fc.property(fc.array(fc.tuple(version, version, version, side, side), { maxLength: 5 }), (all) => {
      const rowsOf = (which: 0 | 1 | 2) =>
        all.flatMap((versions, at) => {
          const [what, many, gone] = versions[which]
          // Taken out here it is struck out, taken out there it isn't sent.
          if (which === 2 && gone) return []
          return [line(String(at), what, many, { removed: which === 1 && gone })]
        })
      const versions = { start: form(rowsOf(0)), mine: form(rowsOf(1)), theirs: form(rowsOf(2)) }
      const choices = Object.fromEntries(
        all.flatMap(([, , , first, second], at) => [
          [`${link}/${at}/${item}`, first],
          [`${link}/${at}/${quantity}`, second],
        ]),
      )
      const outcome = new Map(merged(versions, choices).insets[link]!.map((one) => [one.ref, one]))
      all.forEach(([[wasItem], [myItem, myMany, iRemoved], [theirItem, theirMany, theyRemoved], a, b], at) => {
        if (iRemoved || theyRemoved) return
        const expected = (my: string, their: string, chosen: Side) => (my === their || chosen === 'theirs' ? their : my)
        expect(outcome.get(String(at))!.text).toEqual({
          [item]: expected(myItem, theirItem, a),
          [quantity]: expected(myMany, theirMany, b),
        })
        const usual = new Map(merged(versions).insets[link]!.map((one) => [one.ref, one])).get(String(at))!.text
        if (myItem === wasItem) expect(usual[item]).toBe(theirItem)
        if (theirItem === wasItem) expect(usual[item]).toBe(myItem)
      })
    }),
  )
})
