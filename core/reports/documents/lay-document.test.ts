import { describe, expect, test } from 'vitest'
import { expectNothingOnAnother, textsOn } from '@/tests/support/page-laws'
import { type Block, type Inline } from '../../book'
import { evenWidth } from '../../letters'
import type { Page } from '../page'
import type { CodeDrawing } from './code-drawing'
import { windowBox } from './envelope'
import { documentMeasures, layDocument } from './lay-document'
import { readTemplate } from './read-template'

import {
  book,
  answers,
  said,
  text,
  field,
  words,
  rows,
  template,
  filled,
  laid,
  linesOf,
  readOut,
} from '@/tests/support/asked-document'

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

test('the headings of a table stand again on each page that it goes on to; no row of a few lines is torn', () => {
  const cell = (words: string) => [{ kind: 'text' as const, words }]
  const cells = [
    [cell('What'), cell('How')],
    ...Array.from({ length: 59 }, (_, at) => [cell(`row ${at}`), cell('gently '.repeat(30))]),
  ]
  const pages = laid(template([{ kind: 'table', rows: cells, headed: true }]))
  expect(pages.length).toBeGreaterThan(2)
  for (const page of pages) expect(textsOn(page).filter(({ words }) => words === 'What')).toHaveLength(1)
})
