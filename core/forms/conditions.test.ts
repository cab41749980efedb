import * as fc from 'fast-check'
import { expect, test } from 'vitest'
import { hiring } from '@/tests/support/ruled-design'
import type { Book, FormLines, FormPart } from '../book'
import { type FormText, formTextOf, readForm, type StoredForm } from '../records'
import { brokenRules } from '../rules'
import { conditionFaults, formNow, partConditions, shownLines } from '.'

const now = { moment: '2027-03-12T09:30' }
type Part = Partial<Extract<FormPart, { kind: 'field' }>>
type Source = string | true
interface Asked {
  readonly shows?: Source
  readonly must?: Source
  readonly onlyRead?: Source
}

interface Made {
  readonly book: Book
  readonly lines: FormLines
}

/** The usual form of a hire with conditions on its parts, and with rules of the book. */
function asking(conditions: Readonly<Record<string, Asked>>, ...rules: readonly string[]): Made {
  const design = hiring()
  for (const [at, source] of rules.entries())
    design.do({
      ...{ kind: 'addRule', id: `r${at}`, table: 'hire', words: `Rule ${at}.` },
      says: { kind: 'holds', tree: design.tree('hire', source) },
    })
  const kept = (source: Source) => (source === true ? true : design.tree('hire', source))
  const of = (asked: Asked) =>
    Object.fromEntries(Object.entries(asked).map(([asks, one]) => [asks, kept(one as Source)]))
  const lines = shownLines(design.book, 'hire').map((line) =>
    line.map((part): FormPart => ({ ...part, ...(of(conditions[part.id] ?? {}) as Part) })),
  )
  return { book: design.book, lines }
}

interface Typing {
  readonly text?: Readonly<Record<string, string>>
  readonly insets?: FormText['insets']
  readonly stored?: StoredForm
  readonly wrong?: string
  readonly linked?: Record<string, string | null>
}

function told({ book, lines }: Made, { text = {}, insets, stored, wrong, linked }: Typing = {}) {
  const begun = formTextOf(book, 'hire', undefined, now)
  const form = { ...begun, text: { ...begun.text, ...text }, ...(insets && { insets }) }
  const checked = readForm(book, 'hire', form, now)
  const live = { book, tableId: 'hire', form, checked, stored, linked: () => linked, now }
  const { hidden, musts, onlyRead } = formNow(partConditions(book, 'hire', lines), {
    ...{ live, begun: begun.text },
    isWrong: (id) => id === wrong,
  })
  return { hidden: [...hidden], musts: [...musts], onlyRead: [...onlyRead] }
}

test('a part shows when its condition is so, and not while that can’t be told', () => {
  const form = asking({ price: { shows: "State = 'agreed'" } })
  expect(told(form).hidden).toEqual(['price'])
  expect(told(form, { text: { state: 'asked' } }).hidden).toEqual(['price'])
  expect(told(form, { text: { state: 'agreed' } }).hidden).toEqual([])
  const ofRoom = asking({ price: { shows: 'Room.Seats > 10' } })
  expect(told(ofRoom, { text: { 'hire-room': '1' } }).hidden).toEqual(['price'])
  expect(told(ofRoom, { text: { 'hire-room': '1' }, linked: { seats: '12' } }).hidden).toEqual([])
})

test('what holds something, or is wrong, never goes out of sight', () => {
  const form = asking({ price: { shows: "State = 'agreed'" }, 'extra-hire-link': { shows: 'Guests > 5' } })
  expect(told(form, { text: { price: '12' } }).hidden).toEqual(['extra-hire-link'])
  expect(told(form, { wrong: 'price' }).hidden).toEqual(['extra-hire-link'])
  const row = { ref: null, rev: null, text: { what: 'Lamp' }, labels: {}, removed: false }
  expect(told(form, { insets: { 'extra-hire-link': [row] } }).hidden).toEqual(['price'])
  expect(told(form, { insets: { 'extra-hire-link': [{ ...row, removed: true }] } }).hidden).toHaveLength(2)
})

test('a must is asked only of what is seen and can be typed', () => {
  const must = "State = 'agreed'"
  const agreed = { text: { state: 'agreed' } }
  expect(told(asking({ price: { must } })).musts).toEqual([])
  expect(told(asking({ price: { must } }), agreed).musts).toEqual(['price'])
  expect(told(asking({ price: { must, shows: 'Guests > 5' } }), agreed).musts).toEqual([])
  expect(told(asking({ price: { must, onlyRead: true } }), agreed)).toMatchObject({ musts: [], onlyRead: ['price'] })
})

test('a group shows, or is only read, with all that is in it', () => {
  const { book, lines } = asking({})
  const price = lines.flat().find(({ id }) => id === 'price')!
  const { book: _, lines: asked } = asking({ price: { shows: 'Guests > 5', onlyRead: 'Guests > 9' } })
  const { shows, onlyRead } = asked.flat().find(({ id }) => id === 'price') as Part
  const group: FormPart = { kind: 'group', id: 'g', span: 12, shows, onlyRead, lines: [[price as never]] }
  const grouped = { book, lines: [...lines.map((line) => line.filter(({ id }) => id !== 'price')), [group]] }
  expect(told(grouped).hidden).toEqual(['g'])
  expect(told(grouped, { text: { price: '1' } }).hidden).toEqual([])
  expect(told(grouped, { text: { guests: '12' } })).toEqual({ hidden: [], musts: [], onlyRead: ['g', 'price'] })
})

const faults = ({ book, lines }: Made) =>
  conditionFaults(book, { table: 'hire', lines }).map(({ part, asks, problem }) => `${part.id} ${asks} ${problem.kind}`)

test.each<[string, Record<string, Asked>, string[], string[]]>([
  [
    'a rule that asks for what doesn’t show',
    { price: { shows: "State = 'over'" } },
    ["NOT (State = 'agreed') OR Price IS NOT NULL"],
    ['price shows condition-hides-rule'],
  ],
  [
    'one that asks for it only where it shows',
    { price: { shows: "State = 'agreed'" } },
    ["NOT (State = 'agreed') OR Price IS NOT NULL"],
    [],
  ],
  ['one that asks nothing of a blank', { price: { shows: "State = 'over'" } }, ['Price < 100', 'Price < Guests'], []],
  [
    'one that asks for what is only read',
    { price: { onlyRead: "State = 'agreed'" } },
    ["State <> 'agreed' OR Price IS NOT NULL"],
    ['price onlyRead condition-closes-rule'],
  ],
  [
    'one that doesn’t while it is',
    { price: { onlyRead: "State = 'over'" } },
    ["State <> 'agreed' OR Price IS NOT NULL"],
    [],
  ],
  ['a part by what is in it', { price: { shows: 'Price > 5' } }, [], ['price shows condition-of-itself']],
  [
    'two by each other',
    { price: { shows: 'Guests > 5' }, guests: { shows: 'Price > 5' } },
    [],
    ['guests shows condition-circle'],
  ],
  ['a chain', { price: { shows: 'Guests > 5' }, guests: { shows: "State = 'over'" } }, [], []],
  [
    'a must that can’t be typed',
    { price: { must: 'Guests > 5', onlyRead: true } },
    [],
    ['price onlyRead condition-closes-must'],
  ],
  ['no truth', { price: { shows: 'Guests + 1' } }, [], ['price shows condition-no-truth']],
  ['rows that are on the form', { price: { shows: 'COUNT(Extra) > 1' } }, [], []],
])('%s', (_, conditions, rules, found) => {
  expect(faults(asking(conditions, ...rules))).toEqual(found)
})

/** The same book, where a hire has a price. */
const withMust = (book: Book): Book => ({
  ...book,
  tables: book.tables.map((table) => ({
    ...table,
    fields: table.fields.map((one) => (one.id === 'price' ? { ...one, must: true as const } : one)),
  })),
})

test('what must be filled can’t be out of sight, unless it starts with something', () => {
  const { book, lines } = asking({ price: { shows: 'Guests > 5' } })
  const must = withMust(book)
  expect(faults({ book: must, lines })).toEqual(['price shows condition-hides-must'])
  expect(conditionFaults(must, { table: 'hire', lines, starts: { price: '5' } })).toEqual([])
})

test('what must be filled and isn’t can be typed until it is saved, unless it is always only read', () => {
  const { book, lines } = asking({ price: { onlyRead: "State = 'over'" }, note: { onlyRead: "State = 'over'" } })
  const over = { text: { state: 'over' } }
  expect(told({ book, lines }, over).onlyRead).toEqual(['price', 'note'])
  const must = withMust(book)
  expect(faults({ book: must, lines })).toEqual([])
  expect(told({ book: must, lines }, over).onlyRead).toEqual(['note'])
  expect(told({ book: must, lines }, { text: { state: 'over', price: '5' } }).onlyRead).toEqual(['note'])
  const row = { ref: '1', label: '1', labels: {}, rev: 1, changedAt: '', changedBy: null, cursor: [] }
  const stored = { row: { ...row, values: { price: '5.00', state: 'over' } }, children: {} }
  expect(told({ book: must, lines }, { ...over, stored }).onlyRead).toEqual(['price', 'note'])
  expect(faults({ book: must, lines: asking({ price: { onlyRead: true } }).lines })).toEqual([
    'price onlyRead condition-closes-must',
  ])
})

test('a condition of a field that is gone asks nothing, and is told', () => {
  const { book, lines } = asking({ price: { shows: "State = 'agreed'" } })
  const without = {
    ...book,
    tables: book.tables.map((table) => ({ ...table, fields: table.fields.filter(({ id }) => id !== 'state') })),
  }
  expect(told({ book: without, lines }).hidden).toEqual([])
  expect(faults({ book: without, lines })).toEqual(['price shows stored-gone'])
})

const refused = (book: Book, text: Readonly<Record<string, string>>) => {
  const begun = formTextOf(book, 'hire', undefined, now)
  const { values } = readForm(book, 'hire', { ...begun, text: { ...begun.text, ...text } }, now)
  return Object.keys(brokenRules(book, 'hire', values, now))
}

const atom = fc.constantFrom(
  "State = 'agreed'",
  "State <> 'over'",
  "State IN ('asked', 'over')",
  'Guests > 3',
  'Guests <= 2',
  'Guests IS NULL',
  'Price IS NOT NULL',
  'Price > 10',
  'Price < Guests',
  'Note IS NULL',
  "Note = 'x'",
  'COALESCE(Price, 0) > 10',
)
const source = fc.oneof(
  atom,
  fc.tuple(atom, fc.constantFrom(' AND ', ' OR '), atom).map((parts) => parts.join('')),
  fc.tuple(atom, atom).map(([a, b]) => `NOT (${a}) OR ${b}`),
)

test('where nothing is faulted, nobody is refused for what would be mended out of sight', () => {
  fc.assert(
    fc.property(source, source, (shows, rule) => {
      fc.pre(!shows.includes('Price') && rule.includes('Price'))
      const form = asking({ price: { shows } }, rule)
      if (faults(form).length > 0) return
      for (const state of ['', 'asked', 'agreed', 'over'])
        for (const guests of ['', '1', '3', '5'])
          for (const note of ['', 'x']) {
            const text = { state, guests, note, price: '' }
            if (!told(form, { text }).hidden.includes('price')) continue
            const mends = ['1', '3', '50'].filter((price) => refused(form.book, { ...text, price }).length === 0)
            if (refused(form.book, text).length > 0)
              expect(mends, `${shows} hides what ${rule} asks for: ${JSON.stringify(text)}`).toEqual([])
          }
    }),
    { numRuns: 400 },
  )
})
