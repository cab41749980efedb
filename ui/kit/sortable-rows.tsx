'use client'

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable'
import type { ReactNode } from 'react'

interface Props {
  readonly ids: readonly string[]
  /** Puts one before another, or last. */
  readonly onPlace: (id: string, before: string | null) => void
  readonly children: (move: (id: string, by: number) => void) => ReactNode
}

/** Rows that are put in order by drag, or by whole places from the keyboard. */
export function SortableRows({ ids, onPlace, children }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const place = (id: string, at: number) => {
    const others = ids.filter((other) => other !== id)
    onPlace(id, others[Math.max(0, at)] ?? null)
  }
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) place(String(active.id), ids.indexOf(String(over.id)))
  }
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        {children((id, by) => place(id, ids.indexOf(id) + by))}
      </SortableContext>
    </DndContext>
  )
}
