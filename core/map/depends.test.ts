import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { dependencies, fieldsOfTrace, sayDependency, tablesNear, traceOf } from './depends'

const { book } = emberlyDesign()
const field = (id: string) => ({ kind: 'field', field: id }) as const
const all = new Set(dependencies(book).map(({ kind }) => kind))

test('a field’s trace goes as far as facts do, both ways', () => {
  const trace = traceOf(book, field('visit__bill-total'), all)
  const said = trace.on.map((one) => sayDependency(book, one))
  expect(said[0]).toMatch(/^Visit → Bill total is worked out from /)
  expect(said).toContain('Work line → Price each is copied from Service item → List price')
  expect(trace.of.map(({ to }) => to)).toContain('visit__still-owed')
  const price = traceOf(book, field('service-item__list-price'), all)
  expect(price.of.map(({ to }) => to)).toContain('visit__bill-total')
  expect(price.on).toEqual([])
})

test('each kind can be left out of a trace', () => {
  const typed = traceOf(book, field('visit__bill-total'), new Set(['workedOut']))
  expect(new Set(typed.on.map(({ kind }) => kind))).toEqual(new Set(['workedOut']))
  expect([...all].sort()).toEqual(['borrowed', 'copied', 'gathered', 'link', 'rule', 'workedOut'])
})

test('a stream is traced both ways from all that it carries, and so is a rule', () => {
  const stream = { kind: 'stream', from: 'work-line', to: 'visit' } as const
  const trace = traceOf(book, stream, all)
  expect(trace.own.map(({ to }) => to)).toContain('visit__work')
  expect(trace.on.map(({ from }) => from)).toContain('service-item__list-price')
  expect(trace.of.map(({ to }) => to)).toContain('visit__still-owed')
  expect(fieldsOfTrace(stream, trace)).toContain('visit__work')
  const rule = book.rules.find(({ words }) => words === 'More would be paid than the bill comes to.')!
  const bound = traceOf(book, { kind: 'rule', rule: rule.id }, all)
  expect(bound.own.map((one) => sayDependency(book, one))).toEqual([
    'Visit → Bill total is bound to Visit → Paid: More would be paid than the bill comes to.',
  ])
  expect(bound.on.map(({ to }) => to)).toEqual(expect.arrayContaining(['visit__paid']))
})

test('the lens counts links', () => {
  expect(tablesNear(book, 'fuel', 0)).toEqual(new Set(['fuel']))
  expect(tablesNear(book, 'fuel', 1)).toEqual(new Set(['fuel', 'appliance-model']))
  expect(tablesNear(book, 'fuel', 2).has('appliance')).toBe(true)
})
