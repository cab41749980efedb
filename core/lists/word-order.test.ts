import { expect, test } from 'vitest'
import { emptyBook } from '../book'
import { plainLook } from '../kinds'
import { made } from '@/tests/support/made'
import { compileList } from '.'

const list = made(
  emptyBook('Order', plainLook),
  { kind: 'addTable', id: 'season', name: 'Season', role: 'word-list', keyField: 'word' },
  { kind: 'changeWords', table: 'season', words: ['spring', 'autumn'].map((word) => ({ id: word, word })) },
)

test('words are sorted as they were written only while they are the key', () => {
  expect(compileList(list, { table: 'season', limit: 5 }).sql).toContain("'spring', 'autumn'")
  const [season] = list.tables
  const number = { id: 'number', name: 'Number', kind: 'running' } as const
  const numbered = { ...list, tables: [{ ...season!, fields: [number, ...season!.fields], key: ['number'] }] }
  expect(compileList(numbered, { table: 'season', limit: 5 }).sql).not.toContain('spring')
})
