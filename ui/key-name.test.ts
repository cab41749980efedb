import { expect, test } from 'vitest'
import { keyName, type Pressed } from './key-name'

const press = (key: string, held: Partial<Pressed> = {}) =>
  keyName({ key, ctrlKey: false, metaKey: false, altKey: false, shiftKey: false, ...held })

test.each<[string, string, Partial<Pressed>]>([
  ['Ctrl K', 'k', { ctrlKey: true }],
  ['Ctrl K', 'K', { ctrlKey: true }],
  ['Ctrl Z', 'z', { metaKey: true }],
  ['Ctrl Shift Z', 'Z', { ctrlKey: true, shiftKey: true }],
  ['Alt N', 'n', { altKey: true }],
  ['Alt ArrowUp', 'ArrowUp', { altKey: true }],
  ['/', '/', {}],
  ['?', '?', { shiftKey: true }],
  ['Shift A', 'A', { shiftKey: true }],
])('%s', (name, key, held) => {
  expect(press(key, held)).toBe(name)
})
