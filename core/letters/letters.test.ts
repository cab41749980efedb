import { expect, test } from 'vitest'
import { clipped, textWidth } from './letters'

test('letters have their widths, and what is too long is cut with three points', () => {
  expect(textWidth('ii', 10)).toBeLessThan(textWidth('WW', 10) / 3)
  expect(textWidth('Name', 13, 'bold')).toBeGreaterThan(textWidth('Name', 13))
  expect(clipped('Way of paying', 13, 1000)).toBe('Way of paying')
  const cut = clipped('Way of paying', 13, 60)
  expect(cut).toMatch(/^Way of?.*…$/)
  expect(textWidth(cut, 13)).toBeLessThanOrEqual(60)
})
