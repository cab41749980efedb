'use client'

import { useCallback } from 'react'
import type { Point } from '@/core/map'
import { useWorkshop } from '../workshop-context'
import type { LaidMap } from './use-map'

/**
 * Puts cards somewhere for good. The first time, all of them are kept where they are, so that none moves by
 * itself.
 */
export function usePlace({ sheet, kept }: LaidMap): (points: ReadonlyMap<string, Point>) => void {
  const { book, edit } = useWorkshop()
  return useCallback(
    (points) => {
      if (!sheet || points.size === 0) return
      const unplaced = book.tables.some(({ id, spot }) => !spot && sheet.drawn.boxes.has(id))
      const all = unplaced ? new Map<string, Point>([...sheet.drawn.boxes, ...points]) : points
      edit({ kind: 'placeTables', spots: Object.entries(kept(all)).map(([table, spot]) => ({ table, ...spot })) })
    },
    [sheet, book.tables, kept, edit],
  )
}
