import { useEffect, useMemo, useState } from 'react'
import { type Around, type CheckedRow, type GridRow, rowChecks } from '@/core/grid'

/** So many rows are checked while somebody waits; more are checked bit by bit. */
const atOnce = 60
const milliseconds = 24

export interface Checks {
  /** What a row comes to; none while it isn't checked yet. */
  readonly of: (row: GridRow) => CheckedRow | undefined
  readonly done: number
}

/** Checks rows as they are changed; many of them in turns, between which one goes on typing. */
export function useChecks(around: Around, rows: readonly GridRow[]): Checks {
  const checks = useMemo(() => rowChecks(around), [around])
  const [, setTurn] = useState(0)
  const open = rows.filter((row) => !checks.has(row))
  const isFew = open.length <= atOnce
  if (isFew) for (const row of open) checks.of(row)
  const left = isFew ? 0 : open.length
  useEffect(() => {
    if (left === 0) return
    const timer = setTimeout(() => {
      const until = performance.now() + milliseconds
      for (const row of rows) {
        checks.of(row)
        if (performance.now() > until) break
      }
      setTurn((turn) => turn + 1)
    })
    return () => clearTimeout(timer)
  })
  return { of: (row) => (checks.has(row) ? checks.of(row) : undefined), done: rows.length - left }
}
