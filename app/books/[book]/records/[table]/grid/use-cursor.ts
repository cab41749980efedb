import { useCallback, useRef, useState } from 'react'
import type { Field } from '@/core/book'
import type { GridLines } from './grid-lines'
import { across, blockOf, type Place } from './place'
import { mayType } from './use-grid-keys'

/** Where one goes when a cell is left; gone is who went elsewhere by themselves. */
export type Leaving = 'down' | 'up' | 'next' | 'before' | 'stay' | 'gone'

interface Editing {
  readonly place: Place
  /** Begun by a letter, which takes the place of what stood there. */
  readonly anew: boolean
}

interface GridBodyHandle {
  readonly focus: () => void
}

/** Where one is in the grid, what is chosen, and the cell that one types into. */
export function useCursor(lines: GridLines, columns: readonly Field[]) {
  const first = { at: 0, column: Math.max(0, columns.findIndex(mayType)) }
  const [here, setHere] = useState<Place>(first)
  // The other corner of what is chosen: it moves while one stays where one is.
  const [end, setEnd] = useState<Place>(first)
  const [editing, setEditing] = useState<Editing>()
  const body = useRef<GridBodyHandle>(null)

  const put = (to: Place) => {
    setHere(to)
    setEnd(to)
  }
  const go = useCallback((to: Place, extend = false) => {
    // The focus goes first, so that a box that is open hears that it is left.
    body.current?.focus()
    if (!extend) setHere(to)
    setEnd(to)
    setEditing(undefined)
  }, [])
  /** Leaves the cell that one types into, unless one types into another by now. */
  const leave = (from: Place, where: Leaving) => {
    if (editing?.place.at !== from.at || editing.place.column !== from.column) return
    if (where !== 'gone') body.current?.focus()
    setEditing(undefined)
    if (where === 'gone' || where === 'stay') return
    // What is typed into the blank line makes another one beneath it.
    const last = lines.count - 1 + (lines.at(from.at)?.is === 'blank' ? 1 : 0)
    const extent = { lines: last + 1, columns: columns.length }
    if (where === 'down') put({ ...from, at: Math.min(last, from.at + 1) })
    else if (where === 'up') put({ ...from, at: Math.max(0, from.at - 1) })
    else put(across(from, where === 'next' ? 1 : -1, extent) ?? from)
  }
  const edit = (place: Place, anew: boolean) => {
    const field = columns[place.column]
    if (!field || !mayType(field)) return
    put(place)
    setEditing({ place, anew })
  }
  return { here, end, block: blockOf(here, end), editing, body, go, leave, edit, toFirst: () => put(first) }
}

export type Cursor = ReturnType<typeof useCursor>
