import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import { expectNothingOnAnother, oddLetter, oddPaper, textsOn } from '@/tests/support/page-laws'
import { runs } from '@/tests/support/runs'
import { type Block, type Column, type Inline, type Letterhead, linesIn, type Template } from '../../book'
import { evenWidth } from '../../letters'
import { wordProblem } from '../../words'
import type { Page, TextItem } from '../page'
import type { CodeDrawing } from './code-drawing'
import { windowBox } from './envelope'
import type { Filled } from './filled'
import { documentMeasures, layDocument } from './lay-document'
import { readTemplate } from './read-template'

const book = askedBook()
const answers = { given: {}, now: { moment: '2027-03-12T10:00' } }
const said = { today: '2027-03-12', who: 'Averil', book: 'Asked' }
const own = (id: string, field: string, ...way: string[]): Column => ({
  id,
  shows: { kind: 'field', place: { way: way.map((one) => ({ to: 'one' as const, field: one })), field } },
})
const columns = [
  own('day', 'visit_day'),
  own('price', 'visit_price'),
  own('state', 'visit_state'),
  own('town', 'house_town', 'visit__house'),
  own('floors', 'house_floors', 'visit__house'),
]
const text = (words: string, bold?: true): Inline => ({ kind: 'text', words, ...(bold && { bold }) })
const field = (column: string, more: Partial<Extract<Inline, { kind: 'field' }>> = {}): Inline => ({
  kind: 'field',
  column,
  ...more,
})
const words = (...of: Inline[]): Block => ({ kind: 'words', of })
const rows: Block = {
  kind: 'rows',
  id: 'paid',
  way: [{ to: 'rows', link: 'visit--payment' }],
  columns: [own('when', 'payment_paid'), own('amount', 'payment_amount')],
  order: [],
  figures: [{ column: 'amount', name: 'total' }],
  heading: 'Paid',
  none: 'Nothing was paid yet.',
}
const template = (blocks: readonly Block[], more: Partial<Template> = {}): Template => ({
  id: 'bill',
  table: 'visit',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  columns,
  blocks,
  ...more,
})
const filled = (more: Partial<Filled> = {}): Filled => ({
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

function laid(one: Template, of: Filled = filled(), letterhead?: Letterhead): Page[] {
  const found = readTemplate(book, one, answers)
  if (!('read' in found)) throw new Error(found.faults.map(({ problem }) => wordProblem(problem)).join(' '))
  return layDocument({ book, read: found.read, filled: of, said, measures: documentMeasures(found.read) }, letterhead)
}
const linesOf = (page: Page | undefined) => (page ? textsOn(page).map((item) => item.words) : [])
/** Its texts in the order of its lines, those of one line as one. */
const readOut = (page: Page) => {
  const lines = new Map<number, string>()
  for (const item of textsOn(page)) lines.set(item.y, (lines.get(item.y) ?? '') + item.words)
  return [...lines.entries()].sort(([a], [b]) => a - b).map(([, one]) => one)
}
const first = (pages: readonly Page[]) => readOut(pages[0]!)

describe('values stand in sentences as people write them', () => {
  test.each<readonly [Inline, string]>([
    [field('price'), '£104.50'],
    [field('price', { as: 'words' }), 'one hundred and four pounds and fifty pence'],
    [field('day'), '12 Mar 2027'],
    [field('day', { as: 'long' }), '12 March 2027'],
    [field('day', { as: 'weekday' }), 'Friday 12 March 2027'],
    [field('floors', { as: 'counted', noun: 'floor' }), '3 floors'],
    [field('town', { as: 'capitals' }), 'OTTERBY'],
    [{ kind: 'said', what: 'today', as: 'weekday' }, 'Friday 12 March 2027'],
    [{ kind: 'said', what: 'who' }, 'Averil'],
  ])('%j', (part, shown) => {
    expect(first(laid(template([words(text('It is '), part, text('.'))])))).toEqual([`It is ${shown}.`])
  })

  test('one is not several, and what is blank is said as was wished', () => {
    const counted = template([words(field('floors', { as: 'counted', noun: 'floor' }))])
    expect(first(laid(counted, filled({ cells: { floors: '1' } })))).toEqual(['1 floor'])
    const dear = template([words(text('Dear '), field('town', { none: 'Sir or Madam' }), text(','))])
    expect(first(laid(dear, filled({ cells: {} })))).toEqual(['Dear Sir or Madam,'])
  })

  test('a line of nothing but blank fields is left out, one that says more stands', () => {
    const lines = template([
      words(field('town')),
      words(field('state'), text(', '), field('day')),
      words(text('Town: '), field('town')),
    ])
    expect(first(laid(lines, filled({ cells: {} })))).toEqual(['Town:'])
  })
})

describe('what a document is made of', () => {
  test('its rows have headings, what they come to, and words where there are none', () => {
    expect(first(laid(template([rows])))).toEqual([
      'Paid',
      'PaidAmount',
      '1 Mar 202760.00',
      '2 Mar 202744.50',
      '104.50',
    ])
    expect(first(laid(template([rows]), filled({ rows: { paid: { rows: [] } } })))).toEqual(['Nothing was paid yet.'])
  })

  test('on each page rows have their headings again, and the document says what it is and where it goes on', () => {
    const many = Array.from({ length: 100 }, (_, at) => [`${at}`, `${at}.00`])
    const pages = laid(template([rows]), filled({ rows: { paid: { rows: many, sums: ['', '7140.00'] } } }))
    expect(pages.length).toBe(3)
    for (const [at, page] of pages.entries()) {
      expect(linesOf(page)).toEqual(expect.arrayContaining(['Amount', `Page ${at + 1} of 3`]))
      expect(linesOf(page).includes('Bill · Visit 7')).toBe(at > 0)
    }
    // What they come to never stands without a row of theirs.
    expect(linesOf(pages.at(-1))).toEqual(expect.arrayContaining(['99.00', '7140.00']))
    expect(pages.map(({ marks }) => marks.map((mark) => mark.words))).toEqual([['Visit 7'], [], []])
  })

  test('the heading of rows stands with the first two of them, what they come to with the last, wherever the page ends', () => {
    for (let many = 20; many < 60; many++) {
      const before = Array.from({ length: many }, (_, at) => words(text(`line ${at}`)))
      const own = Array.from({ length: many }, (_, at) => [`row ${at}`, `${at}.00`])
      const of = filled({ rows: { paid: { rows: own, sums: ['', '7140.00'] } } })
      const pages = laid(template([...before, rows]), of)
      const begins = pages.find((page) => linesOf(page).includes('Paid') && linesOf(page).includes('row 0'))
      expect(linesOf(begins)).toEqual(expect.arrayContaining(['Paid', 'row 0', 'row 1']))
      const heads = pages.filter((page) => textsOn(page).some((item) => item.words === 'Paid' && item.size > 11))
      expect(heads).toEqual([begins])
      const ends = pages.find((page) => linesOf(page).includes('7140.00'))
      expect(linesOf(ends)).toContain(`row ${many - 1}`)
    }
  })

  test('no line of a paragraph stands alone at the head or the foot of a page', () => {
    const long = Array.from({ length: 90 }, (_, at) => `word${at}`).join(' ')
    for (let many = 20; many < 50; many++) {
      const before = Array.from({ length: many }, () => words(text('before')))
      const pages = laid(template([...before, words(text(long))]))
      for (const page of pages) {
        const lines = linesOf(page).filter((line) => line.startsWith('word'))
        expect(lines).not.toHaveLength(1)
      }
    }
  })

  test('what stands under a condition stands where it holds', () => {
    const only: Block = {
      kind: 'only',
      id: 'late',
      when: { kind: 'compare', place: { way: [], field: 'visit_state' }, how: 'is', with: [{ value: 'done' }] },
      of: [words(text('It is done.'))],
    }
    expect(first(laid(template([only, words(text('End'))])))).toEqual(['End'])
    const holding = filled({ holds: new Set(['late']) })
    expect(first(laid(template([only, words(text('End'))]), holding))).toEqual(['It is done.', 'End'])
  })

  test('points are numbered one after the other, from one again where something stands between', () => {
    const point = (said: string): Block => ({ kind: 'point', numbered: true, of: [text(said)] })
    const all = [point('a'), point('b'), words(text('and')), point('c')]
    expect(first(laid(template(all)))).toEqual(['1.a', '2.b', 'and', '1.c'])
  })

  test('a page begins where that is wished, and none is empty', () => {
    const turn: Block = { kind: 'turn' }
    const pages = laid(template([words(text('one')), turn, turn, words(text('two'))]))
    expect(pages.map((page) => linesOf(page)[page === pages[0] ? 0 : 1])).toEqual(['one', 'two'])
  })

  test.each(['middle', 'end', undefined] as const)(
    'a code stands within the margins, %s, with what it says beneath',
    (align) => {
      const code: Block = { kind: 'code', as: 'code128', column: 'town', ...(align && { align }) }
      const drawing = (width: number): CodeDrawing => ({
        width,
        height: 1,
        isSquare: false,
        boxes: [
          [0, 0, 2, 1],
          [width - 2, 0, 2, 1],
        ],
      })
      const laidWith = (width: number) => {
        const found = readTemplate(book, template([code]), answers)
        if (!('read' in found)) throw new Error('It cannot be read.')
        const measures = documentMeasures(found.read)
        const plain: string[] = []
        const writing = { book, read: found.read, filled: filled(), said, measures }
        const [page] = layDocument(
          { ...writing, drawCode: () => drawing(width), onPlainCode: (value) => plain.push(value) },
          undefined,
        )
        const bars = page!.items.flatMap((item) => (item.kind === 'tint' ? [item] : []))
        return { bars, words: linesOf(page), plain, frame: measures.frame }
      }
      for (const width of [80, 300, 700]) {
        const { bars, words, frame } = laidWith(width)
        expect(bars).toHaveLength(2)
        expect(words).toEqual(['Otterby'])
        expect(bars[0]!.x).toBeGreaterThanOrEqual(frame.left)
        expect(bars[1]!.x + bars[1]!.width).toBeLessThanOrEqual(frame.left + frame.width + 0.01)
      }
      // What a machine reads is plain, whatever people write beside it.
      const asked: string[] = []
      const price = readTemplate(
        book,
        template([
          { ...code, column: 'price' },
          { ...code, column: 'day' },
        ]),
        answers,
      )
      if (!('read' in price)) throw new Error('It cannot be read.')
      const measures = documentMeasures(price.read)
      const drawCode = (_kind: string, value: string) => (asked.push(value), undefined)
      layDocument({ book, read: price.read, filled: filled(), said, measures, drawCode }, undefined)
      expect(asked).toEqual(['104.50', '2027-03-12'])
      // So many bars in so little room no scanner reads: it is written, and said.
      expect(laidWith(2000)).toMatchObject({ bars: [], words: ['Otterby'], plain: ['Otterby'] })
    },
  )

  test.each(['din-a', 'din-b', 'uk', 'us'] as const)(
    'an address stands in the window of %s, however long it is',
    (window) => {
      const address: Block = {
        kind: 'address',
        lines: [
          [text('The Very Reverend Doctor Merrick Thistlewaite-Underhill of Netherweir')],
          [field('town')],
          [field('state')],
          ...Array.from({ length: 6 }, (_, at) => [text(`Line ${at}`)]),
        ],
      }
      const letterhead = { name: 'Emberly Flue Care of Otterby and Saltmere', lines: '4 Ferry Lane\nOtterby' }
      const pages = laid(template([address, words(text('Dear all'))], { window }), filled(), letterhead)
      const box = windowBox(window)
      const inWindow = textsOn(pages[0]!).filter(
        (item) => item.x >= box.x - 0.1 && item.y > box.y && item.y < box.y + box.height,
      )
      expect(inWindow.map((item) => item.words).join(' ')).toContain('Line 5')
      for (const item of inWindow.filter(({ x }) => x < box.x + 1))
        expect(item.x + evenWidth(item.words, item.size)).toBeLessThanOrEqual(box.x + box.width + 0.1)
      const dear = textsOn(pages[0]!).find((item) => item.words === 'Dear all')!
      expect(dear.y).toBeGreaterThan(box.y + box.height)
      expectNothingOnAnother(textsOn(pages[0]!), 0)
    },
  )
})

// Whatever is written, for whatever record, on whatever paper.
// As long as they may be, too: what is short breaks nothing.
const odd = fc.string({ unit: oddLetter, maxLength: 80, size: 'max' })
const some = odd.filter((one) => one.trim() !== '')
const inline: fc.Arbitrary<Inline> = fc.oneof(
  fc.record({ kind: fc.constant('text' as const), words: some }),
  fc.record({ kind: fc.constant('text' as const), words: some, bold: fc.constant(true as const) }),
  fc.record({
    kind: fc.constant('field' as const),
    column: fc.constantFrom('day', 'price', 'state', 'town', 'floors'),
  }),
  fc.constant({ kind: 'turn' as const }),
)
const line = fc.array(inline, { maxLength: 6 })
const block: fc.Arbitrary<Block> = fc.oneof(
  fc.record({
    kind: fc.constant('words' as const),
    of: line,
    look: fc.constantFrom('title' as const, 'heading' as const, 'small' as const, undefined),
    align: fc.constantFrom('middle' as const, 'end' as const, undefined),
  }),
  fc.record({ kind: fc.constant('point' as const), of: line }),
  fc.record({ kind: fc.constant('address' as const), lines: fc.array(line, { maxLength: 4 }) }),
  fc.record({
    kind: fc.constant('fields' as const),
    columns: fc.subarray(['day', 'price', 'state', 'town', 'floors'], { minLength: 1 }),
    across: fc.integer({ min: 1, max: 3 }),
  }),
  fc.constant(rows),
  fc.constant({ kind: 'line' as const }),
  fc.record({
    kind: fc.constant('table' as const),
    rows: fc.array(fc.array(line, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 5 }),
    headed: fc.option(fc.constant(true as const), { nil: undefined }),
  }),
  fc.record({
    kind: fc.constant('picture' as const),
    picture: fc.record({
      hash: fc.constant('a'.repeat(64)),
      width: fc.integer({ min: 1, max: 1200 }),
      height: fc.integer({ min: 1, max: 1200 }),
    }),
    wide: fc.integer({ min: 5, max: 400 }),
  }),
  fc.record({ kind: fc.constant('room' as const), lines: fc.integer({ min: 1, max: 20 }) }),
  fc.record({ kind: fc.constant('signatures' as const), of: fc.array(some, { minLength: 1, maxLength: 3 }) }),
  fc.constant({ kind: 'turn' as const }),
)
const cases = fc.record({
  blocks: fc
    .array(block, { maxLength: 10 })
    .map((all) => all.filter((one, at) => one !== rows || all.indexOf(one) === at)),
  paper: oddPaper.filter(({ size }) => typeof size === 'string' || (size.width > 90 && size.height > 120)),
  letters: fc.constantFrom(6, 8.5, 10, 12),
  town: odd,
  cells: fc.array(
    fc.tuple(
      odd,
      fc.integer({ min: 0, max: 1e9 }).map((value) => (value / 100).toFixed(2)),
    ),
    { maxLength: 50, size: 'max' },
  ),
  head: fc.option(fc.record({ name: some, lines: some, foot: some }), { nil: undefined }),
})
type Case = typeof cases extends fc.Arbitrary<infer One> ? One : never

const ofCase = ({ blocks, paper, letters, town, cells, head }: Case) => {
  const one = template(blocks, { paper, letters })
  const of = filled({
    cells: { day: '2027-03-12', price: '104.50', state: 'done', town, floors: '3' },
    rows: { paid: { rows: cells.map((cell) => [...cell]), sums: ['', '1,234.00'] } },
  })
  return { pages: laid(one, of, head), measures: documentMeasures({ template: one }) }
}

test('nothing is cut off: all stands within the margins, and nothing on anything else', () => {
  fc.assert(
    fc.property(cases, (one) => {
      const { pages, measures } = ofCase(one)
      const { frame } = measures
      const isRoomy = frame.bottom - frame.top > 30 * one.letters
      for (const page of pages) {
        for (const item of textsOn(page)) {
          const right = item.x + evenWidth(item.words, item.size, item.bold ? 'bold' : 'regular')
          const isOneLetter = [...new Intl.Segmenter('en').segment(item.words)].length === 1
          expect(item.x).toBeGreaterThanOrEqual(frame.left - 0.1)
          if (!isOneLetter) expect(right).toBeLessThanOrEqual(frame.left + frame.width + 0.1)
          if (isRoomy) expect(item.y).toBeLessThanOrEqual(frame.bottom + 0.1)
        }
        for (const item of page.items) {
          if (item.kind !== 'picture') continue
          expect(item.x).toBeGreaterThanOrEqual(frame.left - 0.1)
          expect(item.x + item.width).toBeLessThanOrEqual(frame.left + frame.width + 0.1)
          if (isRoomy) expect(item.y + item.height).toBeLessThanOrEqual(frame.bottom + 0.1)
          const isOn = ({ x, y }: TextItem) =>
            x < item.x + item.width && x > item.x && y > item.y + 0.5 && y < item.y + item.height
          if (isRoomy) expect(textsOn(page).filter(isOn)).toEqual([])
        }
        if (isRoomy) expectNothingOnAnother(textsOn(page), -0.05)
      }
    }),
    runs(250),
  )
})

const lettersOf = (texts: readonly string[]) =>
  [...texts.join('').replace(/[\s–\u200b\u00ad\u202e]/gu, '')].sort().join('')

test('every letter that is written is on the pages, once', () => {
  fc.assert(
    fc.property(cases, (one) => {
      // The head of a table stands again on each of its pages.
      const written = one.blocks.flatMap((each): Block[] => {
        if (each.kind === 'table') return [{ kind: 'table', rows: each.rows }]
        return ['words', 'point', 'address', 'signatures'].includes(each.kind) ? [each] : []
      })
      const { pages } = ofCase({ ...one, blocks: written, town: 'Otterby', head: undefined })
      const shown: Readonly<Record<string, string>> = {
        day: '12 Mar 2027',
        price: '£104.50',
        state: 'done',
        town: 'Otterby',
        floors: '3',
      }
      const said = (part: Inline) =>
        part.kind === 'text' ? part.words : part.kind === 'field' ? shown[part.column]! : ''
      const wished = written.flatMap((each) =>
        each.kind === 'signatures' ? each.of : linesIn(each).flatMap((parts) => parts.map(said)),
      )
      // Without what stands at the head and the foot of several pages.
      const body = pages.flatMap((page) =>
        linesOf(page).filter((line) => !/^(Page \d+ of \d+|Bill · Visit 7|Bill ·.*…)$/.test(line)),
      )
      expect(lettersOf(body)).toBe(lettersOf(wished))
    }),
    runs(250),
  )
})

// Rows whose words wrap.
const wrapping: Block = {
  kind: 'rows',
  id: 'paid',
  way: [{ to: 'rows', link: 'paper-visit' }],
  columns: [own('label', 'paper_label'), own('amount', 'visit_price', 'paper__visit')],
  order: [],
  figures: [{ column: 'amount', name: 'total' }],
  heading: 'Papers',
}

test('every letter of every row is on the pages, once, however high the row', () => {
  const long = fc.array(odd, { maxLength: 14, size: 'max' }).map((all) => all.join(' '))
  const all = fc.record({
    paper: cases.map(({ paper }) => paper),
    letters: fc.constantFrom(6, 10, 12),
    cells: fc.array(fc.tuple(long, fc.constant('12.00')), { minLength: 1, maxLength: 5 }),
  })
  fc.assert(
    fc.property(all, ({ paper, letters, cells }) => {
      const of = filled({ rows: { paid: { rows: cells.map((cell) => [...cell]), sums: ['', '99.00'] } } })
      const pages = laid(template([wrapping], { paper, letters }), of)
      // Headings and sums are bold, what stands around the rows is grey.
      const body = pages.flatMap((page) => textsOn(page).filter(({ bold, tone }) => !bold && !tone))
      expect(lettersOf(body.map((item) => item.words))).toBe(lettersOf(cells.flat()))
      expect(pages.flatMap(textsOn).filter(({ words: one }) => one === '99.00')).toHaveLength(1)
    }),
    runs(80),
  )
})

test('the headings of a table stand again on each page that it goes on to; no row of a few lines is torn', () => {
  const cell = (words: string) => [{ kind: 'text' as const, words }]
  const rows = [
    [cell('What'), cell('How')],
    ...Array.from({ length: 59 }, (_, at) => [cell(`row ${at}`), cell('gently '.repeat(30))]),
  ]
  const { pages } = ofCase({
    ...{ paper: { size: 'a4', margin: 20, turned: undefined }, letters: 10, town: '', cells: [], head: undefined },
    blocks: [{ kind: 'table', rows, headed: true }],
  })
  expect(pages.length).toBeGreaterThan(2)
  for (const page of pages) expect(textsOn(page).filter(({ words }) => words === 'What')).toHaveLength(1)
})
