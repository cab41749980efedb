import { useCallback, useState } from 'react'
import type { Book } from '@/core/book'
import { dropRows, emptyGrid, type Grid, type GridRow, putRows } from '@/core/grid'

interface Steps {
  readonly past: readonly Grid[]
  readonly now: Grid
  readonly future: readonly Grid[]
}

/** How many changes can be taken back. */
const most = 200

export interface GridState extends Steps {
  /** Puts rows in the place of those that go by the same. `along` belongs to the change before: taken back with it. */
  readonly put: (rows: readonly GridRow[] | ((now: Grid) => readonly GridRow[]), along?: 'along') => void
  readonly drop: (ids: ReadonlySet<string>) => void
  readonly undo: () => void
  readonly redo: () => void
  /** What was saved isn't to be taken back here any more. */
  readonly settle: (ids: ReadonlySet<string>) => void
}

/** What was typed into a grid and isn't saved, with the way back. */
export function useGrid(book: Book, tableId: string): GridState {
  const [steps, setSteps] = useState<Steps>({ past: [], now: emptyGrid, future: [] })
  const put = useCallback<GridState['put']>(
    (rows, along) =>
      setSteps(({ past, now }) => {
        const found = typeof rows === 'function' ? rows(now) : rows
        if (found.length === 0) return { past, now, future: [] }
        const next = putRows(book, tableId, now, found)
        return { past: along ? past : [...past, now].slice(-most), now: next, future: [] }
      }),
    [book, tableId],
  )
  const drop = useCallback(
    (ids: ReadonlySet<string>) =>
      setSteps(({ past, now }) => ({ past: [...past, now].slice(-most), now: dropRows(now, ids), future: [] })),
    [],
  )
  const settle = useCallback(
    (ids: ReadonlySet<string>) => setSteps(({ now }) => ({ past: [], now: dropRows(now, ids), future: [] })),
    [],
  )
  const undo = useCallback(
    () =>
      setSteps((all) => {
        const before = all.past.at(-1)
        return before ? { past: all.past.slice(0, -1), now: before, future: [all.now, ...all.future] } : all
      }),
    [],
  )
  const redo = useCallback(
    () =>
      setSteps((all) => {
        const [next, ...future] = all.future
        return next ? { past: [...all.past, all.now], now: next, future } : all
      }),
    [],
  )
  return { ...steps, put, drop, undo, redo, settle }
}
