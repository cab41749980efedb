import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '@/tests/support/runs'
import { evenWidth } from './letters'
import { wrap } from './wrap'
import { type Run, wrapRuns } from './wrap-runs'

const words = fc.array(
  fc.oneof(
    fc.string({ unit: fc.constantFrom(...'aeiouWM.,-/ é1'), minLength: 1, maxLength: 12 }),
    fc.constantFrom('\n', ' ', '👩‍🚒', 'Ελλάδα', '漢字'),
  ),
  { minLength: 1, maxLength: 6 },
)
const text: fc.Arbitrary<Run[]> = fc.array(
  fc.record({ words: words.map((some) => some.join('')), bold: fc.boolean() }),
  { minLength: 1, maxLength: 6 },
)
const said = (lines: ReturnType<typeof wrapRuns>) => lines.map(({ runs: own }) => own.map((run) => run.words).join(''))

test('no line is wider than the room, its runs stand one after the other, and no letter is lost', () => {
  fc.assert(
    fc.property(text, fc.integer({ min: 5, max: 200 }), (own, width) => {
      const lines = wrapRuns(own, width, 9)
      for (const { runs: set, width: wide } of lines) {
        let x = 0
        for (const run of set) {
          expect(run.x).toBeCloseTo(x, 6)
          x += evenWidth(run.words, 9, run.bold ? 'bold' : 'regular')
        }
        expect(x).toBeCloseTo(wide, 6)
        const letters = [...new Intl.Segmenter('en').segment(set.map((run) => run.words).join(''))]
        if (letters.length > 1) expect(wide).toBeLessThanOrEqual(width + 0.02)
      }
      const bare = (one: string) => one.replace(/\s/gu, '')
      expect(bare(said(lines).join(''))).toBe(bare(own.map((run) => run.words).join('')))
      for (const weight of [true, false]) {
        const letters = (some: readonly Run[]) =>
          bare(
            some
              .filter((run) => (run.bold ?? false) === weight)
              .map((run) => run.words)
              .join(''),
          )
        expect(letters(lines.flatMap(({ runs: set }) => set))).toBe(letters(own))
      }
    }),
    runs(400),
  )
})

test('a text of one weight is broken as plain text is', () => {
  fc.assert(
    fc.property(words, fc.integer({ min: 20, max: 200 }), (some, width) => {
      const whole = some.join('').replace(/[\r\u2028\u2029\v\f]/g, ' ')
      const lines = wrap(whole, width, 9).map((line) => line.trimEnd())
      expect(said(wrapRuns([{ words: whole }], width, 9))).toEqual(lines)
    }),
    runs(400),
  )
})
