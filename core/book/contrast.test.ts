import fc from 'fast-check'
import { expect, test } from 'vitest'
import { contrastOnPaper, darkEnough, leastContrast } from './contrast'
import { PaperColour } from './paper-colour'

test('black stands out from paper the most, white not at all', () => {
  expect(contrastOnPaper('#000000')).toBeCloseTo(21, 5)
  expect(contrastOnPaper('#ffffff')).toBeCloseTo(1, 5)
  // Worked out by hand: the green of 0x80 is (0.502 + 0.055) / 1.055, to the power of 2.4, by 0.7152.
  expect(contrastOnPaper('#008000')).toBeCloseTo(1.05 / (0.7152 * ((128 / 255 + 0.055) / 1.055) ** 2.4 + 0.05), 5)
})

test('any colour is made as dark as words need, and no darker than that; one that is dark enough stays', () => {
  const part = fc.integer({ min: 0, max: 255 })
  fc.assert(
    fc.property(part, part, part, (...parts) => {
      const colour = `#${parts.map((value) => value.toString(16).padStart(2, '0')).join('')}`
      const dark = darkEnough(colour, leastContrast.words)
      expect(PaperColour.safeParse(dark).success).toBe(true)
      expect(contrastOnPaper(dark)).toBeGreaterThanOrEqual(4.5)
      if (contrastOnPaper(colour) >= 4.5) expect(dark).toBe(colour)
      else expect(contrastOnPaper(dark)).toBeLessThan(5)
    }),
  )
})
