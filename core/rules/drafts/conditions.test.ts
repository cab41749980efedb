import { expect, test } from 'vitest'
import { hiring } from '@/tests/support/ruled-design'
import { tableOf } from '../../book'
import { readExpression } from '../../expressions'
import { conditionsSource } from './conditions'
import type { Condition } from './sentences'

const { book } = hiring()
const hire = tableOf(book, 'hire')
const many: Condition = { subject: 'Guests', operator: '>', against: { value: '20' } }
const noNote: Condition = { subject: 'Note', operator: 'blank', against: { value: '' } }
const unfinished: Condition = { subject: 'Price', operator: '=', against: { value: '' } }

test('conditions hold together, and what is unfinished is left out', () => {
  const source = conditionsSource(book, hire, [many, unfinished, noNote])
  expect(source).toBe('Guests > 20 AND Note IS NULL')
  expect(readExpression(book, hire, source!)).toHaveProperty('tree')
  expect(conditionsSource(book, hire, [unfinished])).toBeUndefined()
})
