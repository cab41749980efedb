import { useEffect, useRef, useState } from 'react'
import { emptyGrid, type Grid, type GridRow, isEmpty } from '@/core/grid'

interface Kept {
  readonly fresh: readonly GridRow[]
  readonly changed: readonly GridRow[]
}

const few = 200
const pause = 300

/** What was typed into the grid of a table in this browser tab and not saved. */
export function takeGridDraft(place: string): Grid {
  if (typeof window === 'undefined') return emptyGrid
  try {
    const kept = JSON.parse(sessionStorage.getItem(place) ?? 'null') as Kept | null
    return kept ? { fresh: kept.fresh, changed: new Map(kept.changed.map((row) => [row.id, row])) } : emptyGrid
  } catch {
    return emptyGrid
  }
}

function keep(place: string, grid: Grid): boolean {
  try {
    if (isEmpty(grid)) sessionStorage.removeItem(place)
    else {
      const kept: Kept = { fresh: grid.fresh, changed: [...grid.changed.values()] }
      sessionStorage.setItem(place, JSON.stringify(kept))
    }
    return true
  } catch {
    // What was kept before is no longer what stands there.
    sessionStorage.removeItem(place)
    return false
  }
}

/** Keeps what is typed, so that leaving the grid by accident, or a crash, loses nothing. Whether it has room for it. */
export function useGridDraft(place: string, grid: Grid): boolean {
  const [hasRoom, setRoom] = useState(true)
  useEffect(() => {
    // Few rows are written down at once; many when one stops, or leaves.
    const now = () => setRoom(keep(place, grid))
    const timer = setTimeout(now, grid.fresh.length + grid.changed.size > few ? pause : 0)
    window.addEventListener('pagehide', now)
    return () => {
      clearTimeout(timer)
      window.removeEventListener('pagehide', now)
    }
  }, [place, grid])
  // Whoever goes to another page of the application takes everything along, too.
  const last = useRef(grid)
  useEffect(() => {
    last.current = grid
  }, [grid])
  useEffect(() => () => void keep(place, last.current), [place])
  return hasRoom
}
