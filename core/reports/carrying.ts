import type { Book } from '../book'
import { displayOf } from '../expressions'
import { inWords, type ReadFigure, type ReadList } from '../lists'
import { nth } from '../words'
import type { Carrying } from './table'

const exactKinds = new Set(['whole', 'exact', 'money'])

/** What can be carried from page to page: totals of the records' own exact numbers, which each of them has once. */
export function carriedFigures(
  book: Book,
  { figures, columns }: Pick<ReadList, 'figures' | 'columns'>,
  shown: readonly number[],
): readonly ReadFigure[] {
  const ids = new Set(shown.map((place) => nth(columns, place).id))
  return figures.filter(
    ({ name, column }) =>
      name === 'total' &&
      column.kind === 'field' &&
      column.way.length === 0 &&
      exactKinds.has(displayOf(book, column.face).kind) &&
      ids.has(column.id),
  )
}

/** How what is carried is written, and in which columns on paper; nothing where nothing can be. */
export function carryingOf(
  book: Book,
  read: Pick<ReadList, 'figures' | 'columns'>,
  shown: readonly number[],
): Carrying | undefined {
  const all = carriedFigures(book, read, shown)
  if (all.length === 0) return undefined
  return {
    places: all.map(({ column }) => shown.findIndex((place) => nth(read.columns, place).id === column.id)),
    write: (at, sum) => inWords(book, nth(all, at), sum),
  }
}
