import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import type { Book } from '../book'
import { dropPart } from '../build-steps'
import type { List } from '../list'
import { bookId, type Step } from '../steps'

/** What is typed in Records: how long it may be is told by the edit, in words. */
export const typedName = z.string().max(400)
export const typedWords = z.string().max(4000)

/** A name or a description tidied; nothing where nothing is left of it. */
export function tidied(typed: string | undefined, most: number): Result<string | undefined> {
  const text = typed
    ?.normalize('NFC')
    .replace(/\p{Cc}|\p{Cf}/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  if (!text) return ok(undefined)
  return text.length > most ? fail({ kind: 'too-long', limit: most, length: text.length }) : ok(text)
}

/** Whether something in the book goes by an id already. Staff keep lists too: what they name must be theirs alone. */
export const isTaken = (book: Book, id: string) =>
  id === bookId ||
  [
    book.needs,
    book.links,
    book.pairs,
    book.rules,
    book.dismissed,
    book.areas,
    book.remarks,
    book.lists,
    book.reports,
    book.templates,
    book.forms,
  ].some((parts) => parts.some((part) => part.id === id)) ||
  book.tables.some((table) => table.id === id || table.fields.some((field) => field.id === id))

/** Takes lists out, with the reports that stand on them. */
export function dropLists(book: Book, isGoing: (list: List) => boolean): Step[] {
  const going = book.lists.filter(isGoing)
  const reports = book.reports.filter(({ list }) => going.some(({ id }) => id === list))
  // From the last on, so that each finds its neighbour where it is put back.
  return [
    ...reports.map(({ id }) => dropPart(book, 'reports', id)).reverse(),
    ...going.map(({ id }) => dropPart(book, 'lists', id)).reverse(),
  ]
}

/** Takes a table's lists with their reports, its documents and its forms out. */
export const dropKeptOf = (book: Book, table: string): Step[] => [
  ...dropLists(book, (list) => list.table === table),
  ...dropOfTable(book, 'templates', table),
  ...dropOfTable(book, 'forms', table),
]

export const dropOfTable = (book: Book, list: 'templates' | 'forms', table: string): Step[] =>
  book[list]
    .filter((part) => part.table === table)
    .map(({ id }) => dropPart(book, list, id))
    .reverse()
