import { expect, test } from 'vitest'
import { textWidth } from '@/core/letters'
import { addFontFallback, family, further, openTypeface } from './typefaces'

test('words with letters that the typeface doesn’t have are set in the other one; what none has is named', () => {
  const { svg, missing } = addFontFallback(
    '<svg><title>Жук</title><text x="1">Deň Ώρα &amp; Жук</text><text><tspan>漢</tspan></text></svg>',
  )
  expect(svg).toBe(
    '<svg><title>Жук</title><text x="1">Deň <tspan font-family="Noto Sans">Ώρα</tspan> &amp; ' +
      '<tspan font-family="Noto Sans">Жук</tspan></text><text><tspan>漢</tspan></text></svg>',
  )
  expect([...missing]).toEqual(['漢'])
  expect([...addFontFallback('<svg><text>👩\u200d🔧\ufe0f \ud83d</text></svg>').missing]).toEqual(['👩', '🔧'])
})

test('the widths that the map computes with are those of the typefaces', () => {
  for (const [name, words] of [
    [family, 'Way of paying, Žižkov £12.50 “Orme” −'],
    [further, 'ΏραΑγοράЩукаЖивопись'],
  ] as const)
    for (const [face, weight] of [
      ['normal', 'regular'],
      ['bold', 'bold'],
    ] as const) {
      const font = openTypeface(name, face)
      const truth = [...words].reduce(
        (sum, letter) => sum + font.glyphForCodePoint(letter.codePointAt(0)!).advanceWidth / font.unitsPerEm,
        0,
      )
      expect(Math.abs(textWidth(words, 1, weight) - truth)).toBeLessThan(0.005 * words.length)
    }
})
