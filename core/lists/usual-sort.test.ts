import { expect, test } from 'vitest'
import { type Edit, emptyBook, tableOf } from '../book'
import { type KindName, plainLook } from '../kinds'
import { made } from '@/tests/support/made'
import { usualSort } from './usual-sort'

const field = (id: string, holds: KindName): Edit => ({ kind: 'addField', table: 'visit', id, name: id, holds })
const visits = (...edits: readonly Edit[]) =>
  tableOf(
    made(emptyBook('Test', plainLook), { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'key' }, ...edits),
    'visit',
  )
const byCode: Edit = { kind: 'setKey', table: 'visit', fields: ['code'] }

test('the newest come first: by the running number that is the key', () => {
  expect(usualSort(visits(field('at', 'dateTime')))).toEqual({ field: 'key', down: true })
})

test('otherwise by the first moment, or else the first day', () => {
  const [day, moment] = [field('day', 'date'), field('moment', 'dateTime')]
  expect(usualSort(visits(field('code', 'line'), day, moment, byCode))).toEqual({ field: 'moment', down: true })
  expect(usualSort(visits(field('code', 'line'), day, field('later', 'date'), byCode))).toEqual({
    field: 'day',
    down: true,
  })
  const two: Edit = { kind: 'setKey', table: 'visit', fields: ['key', 'code'] }
  expect(usualSort(visits(field('code', 'line'), day, two))).toEqual({ field: 'day', down: true })
})

test('where nothing says which is newer, a list has no usual order', () => {
  expect(usualSort(visits(field('code', 'line'), byCode))).toBeUndefined()
  expect(usualSort(visits({ kind: 'setKey', table: 'visit', fields: [] }))).toBeUndefined()
})
