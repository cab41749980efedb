import {
  BarcodeFormat,
  BinaryBitmap,
  DecodeHintType,
  HybridBinarizer,
  MultiFormatReader,
  RGBLuminanceSource,
} from '@zxing/library'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { CodeKind } from '@/core/book'
import { runs } from '@/tests/support/runs'
import { codeFor } from './codes'

/** What a scanner reads of a code, drawn with so many dots to a module and light around it. */
function scanned(kind: CodeKind, value: string): string | undefined {
  const code = codeFor(kind, value)
  if (!code) return undefined
  const [dots, quiet] = [4, 12]
  const width = (code.width + 2 * quiet) * dots
  const height = code.isSquare ? (code.height + 2 * quiet) * dots : 120
  const light = new Uint8ClampedArray(width * height).fill(255)
  for (const [left, top, wide, high] of code.boxes)
    for (let y = 0; y < (code.isSquare ? high * dots : 100); y++)
      for (let x = 0; x < wide * dots; x++) {
        const row = (code.isSquare ? (top + quiet) * dots : 10) + y
        light[row * width + (left + quiet) * dots + x] = 0
      }
  const formats = { code128: BarcodeFormat.CODE_128, qr: BarcodeFormat.QR_CODE, ean: BarcodeFormat.EAN_13 }
  const reader = new MultiFormatReader()
  reader.setHints(
    new Map<DecodeHintType, unknown>([
      [DecodeHintType.POSSIBLE_FORMATS, [formats[kind]]],
      [DecodeHintType.TRY_HARDER, true],
    ]),
  )
  return reader.decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(light, width, height)))).getText()
}

const ean = (twelve: string) => {
  const sum = [...twelve].reduce((all, figure, at) => all + Number(figure) * (at % 2 === 0 ? 1 : 3), 0)
  return twelve + String((10 - (sum % 10)) % 10)
}

test('a scanner reads what was written, whatever it is', () => {
  const plain = fc.string({
    unit: fc.integer({ min: 0x20, max: 0x7e }).map((code) => String.fromCharCode(code)),
    minLength: 1,
    maxLength: 40,
  })
  fc.assert(
    fc.property(plain, (value) => void expect(scanned('code128', value)).toBe(value)),
    runs(40),
  )
  const figures = fc.string({ unit: fc.constantFrom(...'0123456789'), minLength: 12, maxLength: 12 })
  fc.assert(
    fc.property(figures, (twelve) => {
      // One that begins with a nought is read without it: it is the older, shorter code as well.
      expect(scanned('ean', ean(twelve))?.padStart(13, '0')).toBe(ean(twelve))
    }),
    runs(40),
  )
})

test.each([
  ['a code', 'V-00012'],
  ['an address', 'https://emberly.example/visit/12'],
  ['accents', 'Ärger in Otterby: 12 £'],
  ['a lot', 'x'.repeat(300)],
])('%s as QR', (_what, value) => {
  expect(scanned('qr', value)).toBe(value)
})

test.each<readonly [CodeKind, string]>([
  ['ean', '5012345678901'],
  ['ean', '501234567890'],
  ['ean', 'V-00012'],
  ['code128', 'Ärger'],
  ['code128', 'x'.repeat(81)],
  ['code128', ''],
  ['qr', 'x'.repeat(1001)],
  ['qr', ''],
])('what a code can’t say is not drawn as something else, case %#', (kind, value) => {
  expect(codeFor(kind, value)).toBe(undefined)
})
