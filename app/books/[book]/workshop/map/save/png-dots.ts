/** Where a PNG's first chunk, its header, ends: the signature, then length, name, 13 bytes and check. */
const afterHeader = 8 + 4 + 4 + 13 + 4

/**
 * A PNG that says how many dots it has an inch, so that it comes out on paper as large as it was meant to be; canvases
 * say nothing of it. As a pHYs chunk, in dots a metre (ISO/IEC 15948, 11.3.4.3).
 */
export function withDots(png: Uint8Array, dotsAnInch: number): Uint8Array<ArrayBuffer> {
  const metre = Math.round(dotsAnInch / 0.0254)
  const chunk = new Uint8Array(21)
  const view = new DataView(chunk.buffer)
  view.setUint32(0, 9)
  chunk.set([0x70, 0x48, 0x59, 0x73], 4)
  view.setUint32(8, metre)
  view.setUint32(12, metre)
  chunk[16] = 1
  view.setUint32(17, crc32(chunk.subarray(4, 17)))
  const whole = new Uint8Array(png.length + chunk.length)
  whole.set(png.subarray(0, afterHeader))
  whole.set(chunk, afterHeader)
  whole.set(png.subarray(afterHeader), afterHeader + chunk.length)
  return whole
}

/** The check of ISO 3309 that every chunk ends with. */
function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff
  for (const byte of bytes) {
    crc ^= byte
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1
  }
  return (crc ^ 0xffffffff) >>> 0
}
