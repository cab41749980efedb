import * as fc from 'fast-check'
import { expect, test } from 'vitest'
import { coloursOf, lookFaults, readableLook } from './form-colours'
import { contrastBetween, leastContrast } from './contrast'

const colour = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`)
const look = fc
  .record({ words: fc.option(colour, { nil: undefined }), ground: fc.option(colour, { nil: undefined }) })
  .map(({ words, ground }) => ({ colours: { ...(words && { words }), ...(ground && { ground }) } }))

test('what can’t be read is told, and mended so that it can', () => {
  expect(lookFaults({ colours: { words: '#e0b354' } })).toEqual(['words'])
  expect(lookFaults({ colours: { ground: '#808080' } })).toEqual(['ground'])
  expect(lookFaults({ colours: { words: '#7d3b24', ground: '#f7ecd2' } })).toEqual([])
  expect(lookFaults({})).toEqual([])
  fc.assert(
    fc.property(look, (some) => {
      expect(lookFaults(readableLook(some))).toEqual([])
    }),
  )
})

test('colours that can be read are left as they are', () => {
  const fine = { colours: { words: '#7d3b24', ground: '#f7ecd2' } }
  expect(readableLook(fine)).toEqual(fine)
})

test('a look that is right on white paper can be read in the dark too', () => {
  fc.assert(
    fc.property(look, (some) => {
      const { dark, light } = coloursOf(readableLook(some))
      const least = leastContrast.words
      expect(contrastBetween(light.words, light.ground)).toBeGreaterThanOrEqual(least)
      expect(contrastBetween(dark.words, dark.ground)).toBeGreaterThanOrEqual(least)
      expect(contrastBetween(dark.words, '#1b211f')).toBeGreaterThanOrEqual(least)
      expect(contrastBetween('#9aa69f', dark.ground)).toBeGreaterThanOrEqual(least)
    }),
  )
})
