import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { dependencies, sayDependency, tablesNear, traceOf } from './depends'

const { book } = emberlyDesign()
const all = new Set(dependencies(book).map(({ kind }) => kind))

test('a field’s trace goes as far as facts do, both ways', () => {
  const trace = traceOf(book, 'visit__bill-total', all)
  const said = trace.on.map((one) => sayDependency(book, one))
  expect(said[0]).toMatch(/^Visit → Bill total is worked out from /)
  expect(said).toContain('Work line → Price each is copied from Service item → List price')
  expect(trace.of.map(({ to }) => to)).toContain('visit__still-owed')
  const price = traceOf(book, 'service-item__list-price', all)
  expect(price.of.map(({ to }) => to)).toContain('visit__bill-total')
  expect(price.on).toEqual([])
})

test('each kind can be left out of a trace', () => {
  const typed = traceOf(book, 'visit__bill-total', new Set(['workedOut']))
  expect(new Set(typed.on.map(({ kind }) => kind))).toEqual(new Set(['workedOut']))
  expect([...all].sort()).toEqual(['borrowed', 'copied', 'gathered', 'link', 'rule', 'workedOut'])
})

test('the lens counts ties', () => {
  expect(tablesNear(book, 'fuel', 0)).toEqual(new Set(['fuel']))
  expect(tablesNear(book, 'fuel', 1)).toEqual(new Set(['fuel', 'appliance-model']))
  expect(tablesNear(book, 'fuel', 2).has('appliance')).toBe(true)
})
