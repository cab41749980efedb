import { runs } from '@/tests/support/runs'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  type Block,
  fit,
  formatTyping,
  hasShape,
  learnPattern,
  type Pattern,
  patternSource,
  readyMade,
  sayPattern,
  specimenOf,
} from '.'

const said = (samples: readonly string[]) => {
  const learned = learnPattern(samples)
  return learned && [sayPattern(learned.pattern), learned.misfits]
}

test.each([
  [['V-00418', 'V-00007', 'V-12345'], 'V-, then five digits', []],
  [['C-2027-0001', 'C-2026-0412'], 'C-, then four digits, then -, then four digits', []],
  [
    ['OT4 7QL', 'OT12 9AB', 'SM1 2CD'],
    'two capital letters, then one to two digits, then a space, then one digit, then two capital letters',
    [],
  ],
  [['a1b2', '12cd', 'wxyz'], 'four small letters or digits', []],
  [['00410071', '00410083'], 'eight digits', []],
  [['Q12', 'Q13', 'Q14', 'Q15/2', 'Q16/7'], 'Q, then two digits, then perhaps /, then one digit', []],
  [['AB-1', 'AC-2', 'AD-3', 'nothing like it at all', 'AE-4'], 'two capital letters, then -, then one digit', [3]],
])('from %j one learns “%s”', (samples, words, misfits) => {
  expect(said(samples)).toEqual([words, misfits])
})

test('from nothing nothing is learned', () => {
  expect([learnPattern([]), learnPattern(['', ' ']), learnPattern(['--'])]).toEqual([undefined, undefined, undefined])
})

const plate: Pattern = {
  blocks: [
    { kind: 'fixed', text: 'V-' },
    { kind: 'digits', least: 3, most: 3 },
    { kind: 'fixed', text: '/' },
    { kind: 'letters', least: 2, most: 2, case: 'upper' },
  ],
}

test.each([
  ['V-418/QL', 'V-418/QL'],
  ['418ql', 'V-418/QL'],
  ['v418 ql', 'V-418/QL'],
  ['  v-418-QL ', 'V-418/QL'],
])('%j is taken as %s', (typed, value) => expect(fit(plate, typed)).toEqual({ value }))

test.each(['', 'V-41/QL', '418q', 'V-418/Q1', 'X-418/QL', '418/QLM'])('%j doesn’t fit', (typed) =>
  expect(fit(plate, typed)).toEqual({ because: 'shape' }),
)

test.each([
  ['isbn', '978-0-306-40615-7'.replaceAll('-', ''), '9780306406158'],
  ['iban', 'GB82WEST12345698765432', 'GB82WEST12345698765423'],
  ['card', '79927398713', '79927398710'],
])('%s knows a slip by its check digit', (name, good, slip) => {
  expect(fit(readyMade[name]!.pattern, good)).toEqual({ value: good })
  expect(fit(readyMade[name]!.pattern, slip)).toEqual({ because: 'check' })
})

/** What the box shows after each key, as a person types. */
function typed(pattern: Pattern, keys: string): string {
  let now = { text: '', caret: 0 }
  for (const key of keys) {
    const text = now.text.slice(0, now.caret) + key + now.text.slice(now.caret)
    now = formatTyping(pattern, { text, caret: now.caret + 1 }, now.text)
  }
  return now.text
}

test('fixed parts fill themselves in while one types, whether or not one types them', () => {
  expect(typed(plate, '4')).toBe('V-4')
  expect(typed(plate, '418')).toBe('V-418/')
  expect(typed(plate, '418ql')).toBe('V-418/QL')
  expect(typed(plate, 'v-418/ql')).toBe('V-418/QL')
  expect(typed(plate, '41x')).toBe('V-41x')
})

test('deleting what was filled in isn’t undone, and the caret stays where one works', () => {
  expect(formatTyping(plate, { text: 'V-418', caret: 5 }, 'V-418/')).toEqual({ text: 'V-418', caret: 5 })
  expect(formatTyping(plate, { text: 'V-48/QL', caret: 3 }, 'V-418/QL')).toEqual({ text: 'V-48/QL', caret: 3 })
  expect(formatTyping(plate, { text: 'V-9418', caret: 3 }, 'V-418').caret).toBe(3)
  expect(formatTyping(plate, { text: '', caret: 0 }, 'V')).toEqual({ text: '', caret: 0 })
})

const run = fc.record({ least: fc.integer({ min: 1, max: 4 }), more: fc.nat({ max: 3 }) })
const varies = fc
  .tuple(fc.constantFrom('digits', 'letters', 'either'), run, fc.constantFrom('upper', 'lower', undefined))
  .map(([kind, { least, more }, casing]): Block => ({
    kind: kind as 'digits',
    least,
    most: least + more,
    ...(kind !== 'digits' && casing && { case: casing as 'upper' }),
  }))
/** Varying parts with something between each two, so that it is clear where one ends. */
const patterns = fc
  .tuple(
    fc.array(varies, { minLength: 1, maxLength: 5 }),
    fc.array(fc.constantFrom('-', '/', ' ', '.', '-X-', ' ('), { minLength: 5, maxLength: 5 }),
  )
  .map(([parts, between]): Pattern => ({
    blocks: parts.flatMap((part, at) =>
      at === 0 ? [part] : [{ kind: 'fixed' as const, text: between[at - 1]! }, part],
    ),
  }))
const picks = fc.infiniteStream(fc.nat({ max: 9999 }))
const made = (pattern: Pattern, stream: Iterator<number>) =>
  specimenOf(pattern, (many) => Number(stream.next().value) % many)

test('a specimen of a pattern has its shape, is taken as it is, and is what typing it gives', () => {
  fc.assert(
    fc.property(patterns, picks, (pattern, stream) => {
      const value = made(pattern, stream)
      expect(new RegExp(`^(?:${patternSource(pattern)})$`, 'u').test(value)).toBe(true)
      expect(fit(pattern, value)).toEqual({ value })
      const exact = pattern.blocks.every((block) => block.kind === 'fixed' || block.least === block.most)
      const bare = value.replace(/[^\p{L}0-9]/gu, '')
      const named = pattern.blocks.some((block) => block.kind === 'fixed' && block.text.includes('X'))
      // An X that is filled in and typed again could be the next part’s own.
      if (!named) expect(typed(pattern, value)).toContain(value)
      if (exact && !named) expect(fit(pattern, bare)).toEqual({ value })
    }),
    runs(500),
  )
})

test('what is learned from specimens of one pattern takes every one of them', () => {
  fc.assert(
    fc.property(patterns, picks, fc.integer({ min: 1, max: 12 }), (pattern, stream, many) => {
      const samples = Array.from({ length: many }, () => made(pattern, stream))
      const learned = learnPattern(samples)!
      expect(learned.misfits).toEqual([])
      expect(samples.every((sample) => hasShape(learned.pattern, sample))).toBe(true)
    }),
    runs(500),
  )
})

test('whatever is given, learning, fitting and typing end with an answer', () => {
  fc.assert(
    fc.property(
      fc.array(fc.string({ unit: 'grapheme', maxLength: 60 }), { maxLength: 8 }),
      fc.string({ unit: 'grapheme', maxLength: 300 }),
      (samples, text) => {
        const learned = learnPattern(samples)
        if (!learned) return
        const fitted = fit(learned.pattern, text)
        if ('value' in fitted) expect(fit(learned.pattern, fitted.value)).toEqual(fitted)
        const now = formatTyping(learned.pattern, { text, caret: text.length }, '')
        expect(now.caret).toBeLessThanOrEqual(now.text.length)
      },
    ),
    runs(500),
  )
})

test.each(Object.entries(readyMade))('%s has a specimen that it takes itself', (_name, { pattern }) => {
  for (let seed = 0; seed < 20; seed++) {
    const value = specimenOf(pattern, (many) => (seed * 7) % many)
    expect(fit(pattern, value)).toEqual({ value })
  }
})
