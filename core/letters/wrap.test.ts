import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '@/tests/support/runs'
import { evenWidth } from './letters'
import { widestWord, wrap } from './wrap'

test.each([
  ['The Old Maltings, Heron Close', 80, ['The Old', 'Maltings,', 'Heron Close']],
  ['one', 80, ['one']],
  ['', 80, ['']],
  ['two\nlines', 80, ['two', 'lines']],
  ['ends with one\n', 60, ['ends with', 'one']],
  ['between\n\nthem', 80, ['between', '', 'them']],
  ['well-swept', 40, ['well-', 'swept']],
])('%j in a room of %d', (text, width, lines) => {
  expect(wrap(text, width, 12)).toEqual(lines)
})

test('a word that is wider than the room is cut, and no letter is lost', () => {
  const lines = wrap('Donaudampfschiff', 30, 12)
  expect(lines.length).toBeGreaterThan(2)
  expect(lines.join('')).toBe('Donaudampfschiff')
})

const word = fc.oneof(
  { weight: 4, arbitrary: fc.string({ unit: fc.constantFrom(...'aeiouWMil.,-/ é'), minLength: 1, maxLength: 14 }) },
  fc.string({ unit: 'grapheme', minLength: 1, maxLength: 6 }),
  fc.constantFrom('\n', ' ', '  ', '👩‍🚒', 'Ελλάδα', 'שלום', '漢字', 'ﬁ', 'e\u0301\u0301'),
)
const text = fc.array(word, { maxLength: 12 }).map((words) => words.join(''))

test('no line is wider than the room, and nothing but spaces and ends of lines is lost', () => {
  fc.assert(
    fc.property(text, fc.integer({ min: 5, max: 200 }), (words, width) => {
      const lines = wrap(words, width, 9)
      for (const line of lines) {
        const isOneLetter = [...new Intl.Segmenter('en').segment(line)].length === 1
        if (!isOneLetter) expect(evenWidth(line, 9)).toBeLessThanOrEqual(width + 0.02)
      }
      const bare = (one: string) => one.replace(/\s/gu, '')
      expect(bare(lines.join(''))).toBe(bare(words))
      const widest = widestWord(words, 9)
      if (widest <= width)
        expect(Math.max(...lines.map((line) => evenWidth(line, 9)))).toBeLessThanOrEqual(width + 0.02)
    }),
    runs(500),
  )
})
