import sharp from 'sharp'
import { expect, test } from 'vitest'
import { withDots } from './png-dots'

test.each([96, 192, 300])('a picture of %i dots an inch says so, and is the same picture', async (dots) => {
  const plain = await sharp({ create: { width: 3, height: 2, channels: 3, background: 'red' } })
    .png()
    .toBuffer()
  // What the writer says of its own is left out, as a canvas does.
  const at = plain.indexOf('pHYs')
  const bare = at < 0 ? plain : Buffer.concat([plain.subarray(0, at - 4), plain.subarray(at + 17)])
  const sized = withDots(new Uint8Array(bare), dots)
  expect(await sharp(sized).metadata()).toMatchObject({ width: 3, height: 2, density: dots })
  expect(await sharp(sized).raw().toBuffer()).toEqual(await sharp(plain).raw().toBuffer())
})
