import { expect, test } from 'vitest'
import { letterWidths } from '@/core/letters'
import { measured } from './measured-letters'

test('the widths that the map reckons with are those of the typefaces that ship', () => {
  expect(letterWidths).toEqual(measured())
})
