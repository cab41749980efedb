'use client'

import { useReactFlow, useStoreApi } from '@xyflow/react'
import type { Remark } from '@/core/book'
import { freeSpot, type Point } from '@/core/map'
import { remarkBox } from '@/ui/drawing/map/ground-drawing'
import { useWorkshop } from '../workshop-context'
import type { DrawnSheet } from './use-map'

/** Where a new note is put, clear of cards and other notes, near the middle of what is seen; and how it is brought into sight. */
export function useNewNote({ drawn }: DrawnSheet) {
  const { book } = useWorkshop()
  const { getViewport, setCenter } = useReactFlow()
  const store = useStoreApi()
  const { factor } = drawn
  const seen = () => {
    const { x, y, zoom } = getViewport()
    const { width, height } = store.getState()
    return { x: -x / zoom, y: -y / zoom, width: width / zoom, height: height / zoom, zoom }
  }
  // Notes keep their place in units of the narrowest drawing; the screen's may be wider.
  const drawnBox = (remark: Remark) => ({ ...remarkBox(remark), x: remark.x * factor, y: remark.y * factor })
  return {
    spotFor(remark: Remark): Point {
      const { x, y, width, height } = seen()
      const taken = [...drawn.boxes.values(), ...book.remarks.map(drawnBox)]
      const spot = freeSpot(remarkBox(remark), { x: x + width / 2, y: y + height / 2 }, taken)
      return { x: Math.round(spot.x / factor), y: Math.round(spot.y / factor) }
    },
    show(remark: Remark): void {
      const view = seen()
      const box = drawnBox(remark)
      const isSeen =
        box.x >= view.x &&
        box.y >= view.y &&
        box.x + box.width <= view.x + view.width &&
        box.y + box.height <= view.y + view.height
      if (!isSeen) void setCenter(box.x + box.width / 2, box.y + box.height / 2, { zoom: view.zoom, duration: 200 })
    },
  }
}
