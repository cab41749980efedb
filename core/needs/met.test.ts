import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { needsMetBy } from './met'

const { book } = emberlyDesign()

test('a table meets the needs of its fields too', () => {
  expect(needsMetBy(book, 'appliance').map(({ number }) => number)).toEqual([4, 6])
  expect(needsMetBy(book, 'appliance__serial-code').map(({ number }) => number)).toEqual([6])
})
