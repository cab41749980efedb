import fc from 'fast-check'
import { expect, test } from 'vitest'
import { expectNothingOnAnother, oddLetter, oddPaper, textsOn } from '@/tests/support/page-laws'
import { runs } from '@/tests/support/runs'
import { type Block, type Inline, linesIn } from '../../book'
import { evenWidth } from '../../letters'
import type { TextItem } from '../page'
import { documentMeasures } from './lay-document'

import { own, rows, template, filled, laid, linesOf } from '@/tests/support/asked-document'

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
