import { expect, test } from 'vitest'
import type { List } from '../book'
import { foldersOf, inFolder } from './folders'

const list = (id: string, folder?: string): List => ({
  id,
  table: 't',
  columns: [],
  asks: [],
  order: [],
  ...(folder && { folder }),
})

test('a folder is one whatever its capitals, and its lists are all in it', () => {
  const lists = [list('a', 'Money'), list('b', 'money'), list('c'), list('d', 'Élan'), list('e', 'Elan')]
  expect(foldersOf(lists)).toEqual(['Elan', 'Élan', 'Money'])
  expect(inFolder(lists, 'MONEY').map(({ id }) => id)).toEqual(['a', 'b'])
  expect(inFolder(lists, undefined).map(({ id }) => id)).toEqual(['c'])
  const all = [undefined, ...foldersOf(lists)].flatMap((folder) => inFolder(lists, folder))
  expect(all).toHaveLength(lists.length)
})
