'use client'

import type { NodeChange } from '@xyflow/react'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Box, Point } from '@/core/map'
import { useWorkshop } from '../workshop-context'
import type { Cards } from './use-cards'
import type { DrawnSheet, LaidMap } from './use-map'

const noMoves: ReadonlyMap<string, Box> = new Map()
/** The arrow keys move without a drag; what they did is kept when they rest so long, in milliseconds. */
const rest = 350

interface Moves {
  readonly of: DrawnSheet | undefined
  readonly boxes: ReadonlyMap<string, Box>
}

/** What is being moved by hand, and keeping it where it is put. */
export function useMoves({ sheet, kept }: LaidMap, { onChanges, boxesNow }: Cards) {
  const { book, edit } = useWorkshop()
  const [moves, setMoves] = useState<Moves>()
  // Once it is drawn anew, everything has its way again.
  const moved = moves && moves.of === sheet ? moves.boxes : noMoves

  /** The first time a card is put somewhere all of them are kept where they are, so that none moves by itself. */
  const place = useCallback(
    (points: ReadonlyMap<string, Point>) => {
      if (!sheet || points.size === 0) return
      const unplaced = book.tables.some(({ id, spot }) => !spot && sheet.drawn.boxes.has(id))
      const all = unplaced ? new Map<string, Point>([...sheet.drawn.boxes, ...points]) : points
      edit({ kind: 'placeTables', spots: Object.entries(kept(all)).map(([table, spot]) => ({ table, ...spot })) })
    },
    [sheet, book.tables, kept, edit],
  )

  const settled = useRef(() => {})
  useEffect(() => {
    settled.current = () => {
      const remarks = new Set(book.remarks.map(({ id }) => id))
      for (const [id, spot] of Object.entries(kept(moved)))
        if (remarks.has(id)) edit({ kind: 'changeRemark', id, ...spot })
      const cards = [...moved].filter(([id, { x, y }]) => {
        const was = sheet?.drawn.boxes.get(id)
        return !remarks.has(id) && (was?.x !== x || was.y !== y)
      })
      // Put back where it was, it has its way again at once.
      if (cards.length === 0) setMoves(undefined)
      else place(new Map(cards))
    }
  })

  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const moving = (changes: NodeChange[]) => {
    onChanges(changes)
    const at = new Map(
      changes.flatMap((change) =>
        change.type === 'position' && change.position ? [[change.id, change.position] as const] : [],
      ),
    )
    if (at.size > 0) {
      const now = boxesNow(new Set(at.keys()))
      setMoves((before) => {
        const next = new Map(before && before.of === sheet ? before.boxes : noMoves)
        for (const [id, box] of now) next.set(id, { ...box, ...at.get(id) })
        return { of: sheet, boxes: next }
      })
    }
    const positions = changes.filter((change) => change.type === 'position')
    if (positions.length === 0) return
    clearTimeout(timer.current)
    if (positions.every(({ dragging }) => !dragging)) timer.current = setTimeout(() => settled.current(), rest)
  }
  return { moved, moving, place }
}
