import bwip from 'bwip-js/node'
import type { CodeKind } from '@/core/book'
import type { CodeDrawing } from '@/core/reports'

interface Bars {
  readonly sbs?: readonly number[]
  readonly pixs?: readonly number[]
  readonly pixx?: number
  readonly pixy?: number
}

const names: Readonly<Record<CodeKind, string>> = { code128: 'code128', qr: 'qrcode', ean: 'ean13' }

/** What a code can say: what it can't is never drawn as something else. */
const fits: Readonly<Record<CodeKind, RegExp>> = {
  code128: /^[\x20-\x7e]{1,80}$/,
  qr: /^[^\0]{1,1000}$/s,
  ean: /^\d{13}$/,
}

/**
 * A code for scanning, in modules: Code 128 (ISO/IEC 15417), QR (ISO/IEC 18004), EAN-13 (ISO/IEC 15420) where its check
 * digit is right. Undefined where the value can't be said so.
 */
export function codeFor(kind: CodeKind, value: string): CodeDrawing | undefined {
  if (!fits[kind].test(value)) return undefined
  try {
    const [bars] = bwip.raw({ bcid: names[kind], text: value }) as unknown as readonly Bars[]
    return bars?.sbs ? linear(bars.sbs) : bars?.pixs ? square(bars.pixs, bars.pixx ?? 0, bars.pixy ?? 0) : undefined
  } catch {
    // Its check digit is wrong, or it is too long.
    return undefined
  }
}

/** Bars and spaces in turn. */
function linear(widths: readonly number[]): CodeDrawing {
  const boxes: [number, number, number, number][] = []
  let x = 0
  for (const [at, width] of widths.entries()) {
    if (at % 2 === 0) boxes.push([x, 0, width, 1])
    x += width
  }
  return { width: x, height: 1, isSquare: false, boxes }
}

/** Dark modules, those next to each other in a row as one. */
function square(dots: readonly number[], width: number, height: number): CodeDrawing {
  const boxes: [number, number, number, number][] = []
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (!dots[y * width + x]) continue
      const from = x
      while (x + 1 < width && dots[y * width + x + 1]) x++
      boxes.push([from, y, x - from + 1, 1])
    }
  return { width, height, isSquare: true, boxes }
}
