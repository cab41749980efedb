import { expect, test } from 'vitest'
import { limits } from '../../book'
import { shownNames } from './shown-names'

test('long names are cut at a word, and stay apart', () => {
  const words = 'long '.repeat(15)
  const names = ['dog', `${words}one`, `${words}two`, 'x'.repeat(80)]
  const shown = names.map(shownNames(names))
  expect(shown[0]).toBe('Dog')
  expect(shown[1]).toBe(`L${'long '.repeat(12).trim().slice(1)}`.slice(0, limits.nameLength))
  expect(new Set(shown).size).toBe(4)
  for (const name of shown) expect(name.length).toBeLessThanOrEqual(limits.nameLength)
})
