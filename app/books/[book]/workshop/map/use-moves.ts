'use client'

import { type NodeChange, useReactFlow } from '@xyflow/react'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Box } from '@/core/map'
import { useWorkshop } from '../workshop-context'
import { boxOf } from './use-chosen'
import type { DrawnSheet, LaidMap } from './use-map'
import { usePlace } from './use-place'

const noMoves: ReadonlyMap<string, Box> = new Map()
/** The arrow keys move without a drag; what they did is kept when they rest so long, in milliseconds. */
const rest = 350

interface Moves {
  readonly of: DrawnSheet | undefined
  readonly boxes: ReadonlyMap<string, Box>
}

/** What is being moved by hand, and keeping it where it is put. */
export function useMoves(laid: LaidMap) {
  const { sheet, kept } = laid
  const { getNode } = useReactFlow()
  const { book, edit } = useWorkshop()
  const [moves, setMoves] = useState<Moves>()
  // Once it is drawn anew, everything has its way again.
  const moved = moves && moves.of === sheet ? moves.boxes : noMoves

  const place = usePlace(laid)
  const settled = useRef(() => {})
  const shown = useRef(sheet)
  useEffect(() => {
    shown.current = sheet
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
  // Always the same function: a new one would make every card look whether it has changed.
  const onChanges = useCallback(
    (changes: NodeChange[]) => {
      const positions = changes.filter((change) => change.type === 'position')
      if (positions.length === 0) return
      setMoves((before) => {
        const of = shown.current
        const next = new Map(before && before.of === of ? before.boxes : noMoves)
        for (const { id, position } of positions) {
          const node = position && getNode(id)
          if (node) next.set(id, boxOf({ ...node, position }))
        }
        return { of, boxes: next }
      })
      clearTimeout(timer.current)
      if (positions.every(({ dragging }) => !dragging)) timer.current = setTimeout(() => settled.current(), rest)
    },
    [getNode],
  )
  return { moved, onChanges }
}
