import { useState } from 'react'
import type { Field, Table } from '@/core/book'
import { type CellText, fillDown, type GridRow, unsaved, withCells } from '@/core/grid'
import type { Problems } from '@/core/records'
import { useRecords } from '../../records-context'
import { wordsIn } from './grid-cell'
import type { GridLine } from './grid-lines'
import type { Cursor } from './use-cursor'
import type { GridData } from './use-grid-data'
import { type GridActs, mayType } from './use-grid-keys'

/** What is done to the cells of a grid. */
export function useGridActs(table: Table, data: GridData, cursor: Cursor, nextWrong: () => void) {
  const { base, book } = useRecords()
  const { grid, lines, columns, checks, mayAdd } = data
  const { here, end, block } = cursor
  const [settling, setSettling] = useState(0)
  const { put } = grid

  const noteSettling = (work: Promise<unknown>) => {
    setSettling((count) => count + 1)
    void work.catch(() => undefined).finally(() => setSettling((count) => count - 1))
  }
  const putCell = (line: GridLine, field: Field, cell: CellText) => {
    if (line.is === 'blank' && cell.text === (line.row.text[field.id] ?? '')) return
    // What is found later belongs to the row as it is by then.
    put((then) => {
      const own = unsaved(then).find((row) => row.id === line.row.id)
      const row = own && own.stored === line.row.stored ? own : line.row
      return [withCells(row, new Map([[field.id, cell]]))]
    })
  }
  const chosen = (from = block.top) => {
    const found: GridLine[] = []
    for (let at = Math.max(0, from); at <= block.bottom; at++) {
      const line = lines.at(at)
      if (line) found.push(line)
    }
    return found
  }
  const fields = columns.slice(block.left, block.right + 1).filter(mayType)
  const emptied = new Map(fields.map(({ id }) => [id, { text: '' }]))

  const acts: Omit<GridActs, 'page'> = {
    ...{ lines, columns, here, end, block, nextWrong },
    go: cursor.go,
    edit: (anew) => cursor.edit(here, anew),
    clear: () =>
      put(chosen().flatMap((line): GridRow[] => (line.is === 'blank' ? [] : [withCells(line.row, emptied)]))),
    tick: () => {
      const [line, field] = [lines.at(here.at), columns[here.column]]
      if (line && field) putCell(line, field, { text: line.row.text[field.id] === 'yes' ? 'no' : 'yes' })
    },
    repeat: () => {
      const isOne = block.top === block.bottom
      if (isOne && block.top === 0) return
      put(
        fillDown(
          chosen(isOne ? block.top - 1 : block.top).map(({ row }) => row),
          fields,
        ),
      )
    },
    takeOut: () => grid.drop(new Set(chosen().map(({ row }) => row.id))),
    undo: grid.undo,
    redo: grid.redo,
    leave: () =>
      ['[data-saves]', 'button'].some((one) => {
        const next = document.querySelector<HTMLElement>(`[data-after-grid] ${one}:not(:disabled)`)
        next?.focus()
        return next !== null
      }),
    wordsAt: (at, column) => {
      const [line, field] = [lines.at(at), columns[column]]
      return line && field ? wordsIn(book, line, field, line.isChanged ? checks.of(line.row) : undefined) : ''
    },
    // What it takes comes with the first block.
    paste: (cells) =>
      void import('./use-pasting').then(({ pasteInto }) =>
        pasteInto({ ...{ base, book, table, columns, lines, block, grid, mayAdd }, onSettling: noteSettling }, cells),
      ),
  }
  return { acts, putCell, noteSettling, settling }
}

/** What is wrong with a row as it stands: what is told here, and what the server refused. */
export const problemsOf = (
  { row, theirs }: GridLine,
  checks: GridData['checks'],
  said: (row: GridRow) => Problems | undefined,
): Readonly<Record<string, unknown>> => ({ ...said(row), ...checks.of(row)?.problems, ...theirs })
