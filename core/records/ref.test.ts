import fc from 'fast-check'
import { expect, test } from 'vitest'
import { keyOfRef, refOf } from './ref'

test('a reference reads as its key', () => {
  expect(refOf(['V-00418'])).toBe('V-00418')
  expect(refOf(['V-00418', 'A-00007'])).toBe('V-00418~A-00007')
})

test('whatever the key holds, it comes back from its reference', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ unit: 'grapheme', minLength: 1 }), { minLength: 1, maxLength: 4 }), (key) => {
      expect(keyOfRef(refOf(key), key.length)).toEqual(key)
    }),
  )
})

test.each([
  ['too few parts', 'a', 2],
  ['too many parts', 'a~b~c', 2],
  ['a blank part', 'a~', 2],
  ['broken escapes', '%E0%A4%A', 1],
])('%s is no reference', (_what, ref, columns) => {
  expect(keyOfRef(ref, columns)).toBeUndefined()
})
