import { type Book, conditionsIn, findTable, limits, type List } from '../../book'
import { mayBeNatural } from './comparisons'
import { readColumns, toldApart } from './read-columns'
import { readCondition } from './read-condition'
import { readFigures, readGroups, readShown } from './read-groups'
import type { Answers, ListFault, ReadColumn, Reading, ReadList } from './read-list'

/** A list that can be asked as it is, or all that is wrong with it, each where it stands. */
export type ListRead =
  { readonly read: ReadList; readonly faults: readonly [] } | { readonly faults: readonly ListFault[] }

/**
 * Reads a list against a book: what it speaks of may have gone, or hold something else by now.
 * `book` is the one whose records are asked.
 */
export function readList(book: Book, list: List, answers: Answers): ListRead {
  const table = findTable(book, list.table)
  if (!table) return { faults: [{ at: { part: 'column', id: '' }, problem: { kind: 'gone', what: 'table' } }] }
  const through = { lists: [list.id], taken: { conditions: 0 } }
  const reading: Reading = { book, list, answers, faults: [], through }
  const columns = toldApart(book, table, readColumns(reading, table))
  checkIds(reading)
  const all = list.where ? conditionsIn(list.where).length : 0
  if (all > limits.conditions) {
    const problem = { kind: 'list-too-many-conditions', most: limits.conditions } as const
    reading.faults.push({ at: { part: 'condition', path: [] }, problem })
    return { faults: reading.faults }
  }
  const where = list.where && readCondition(reading, table, list.where, [])
  const order = readOrder(reading, columns)
  const figures = readFigures(reading, table, columns)
  const groups = readGroups(reading, table, figures)
  const shown = readShown(reading, figures)
  if (reading.faults.length > 0) return { faults: reading.faults }
  return { read: { table, columns, where, order, groups, figures, shown, first: list.first }, faults: [] }
}

function checkIds({ list, faults }: Reading): void {
  const ids = new Set<string>()
  for (const { id } of list.columns) {
    if (ids.has(id)) faults.push({ at: { part: 'column', id }, problem: { kind: 'list-column-twice' } })
    ids.add(id)
  }
  const words = new Set<string>()
  for (const ask of list.asks) {
    const said = ask.words.toLowerCase()
    if (words.has(said))
      faults.push({ at: { part: 'ask', id: ask.id }, problem: { kind: 'list-ask-twice', words: ask.words } })
    words.add(said)
  }
}

function readOrder({ book, list, faults }: Reading, columns: readonly ReadColumn[]): ReadList['order'] {
  return list.order.flatMap(({ column: id, down = false, blanks, natural }, at) => {
    const column = columns.find((one) => one.id === id)
    // A column that is wrong itself has said so already.
    if (!column && list.columns.some((one) => one.id === id)) return []
    if (column && column.kind !== 'several' && column.kind !== 'along') {
      return [{ column, down, blanks, natural: natural === true && mayBeNatural(column.face, book.look) }]
    }
    const problem = column
      ? ({
          kind: column.kind === 'along' ? 'list-order-along' : 'list-order-several',
          column: column.heading,
        } as const)
      : ({ kind: 'list-order-gone' } as const)
    faults.push({ at: { part: 'order', at }, problem })
    return []
  })
}
