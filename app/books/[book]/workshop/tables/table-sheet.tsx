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
import { useState } from 'react'
import type { Table } from '@/core/book'
import { useWorkshop } from '../workshop-context'
import { AddField } from './add-field'
import { FieldRow } from './field-row'
import { TableHead } from './table-head'

interface Props {
  readonly table: Table
  /** The field to unfold at first. */
  readonly field: string | undefined
  readonly onShow: (table: string) => void
}

/** One table: its head, its fields in order, and the line that adds the next. */
export function TableSheet({ table, field: first, onShow }: Props) {
  const { edit } = useWorkshop()
  const [unfolded, setUnfolded] = useState(first)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const place = (id: string, at: number) => {
    const others = table.fields.filter((field) => field.id !== id)
    edit({ kind: 'moveField', field: id, before: others[at]?.id ?? null })
  }
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id)
      place(
        String(active.id),
        table.fields.findIndex((field) => field.id === over.id),
      )
  }
  return (
    <>
      <TableHead table={table} onShow={onShow} />
      <div className="mt-4 grid grid-cols-[28px_minmax(110px,1fr)_minmax(150px,2fr)_minmax(140px,200px)] gap-x-3 border-b border-ash-4 pb-1.5 text-[13px] text-ash-6">
        <span />
        <span>Field</span>
        <span>What it holds</span>
        <span>What staff will see</span>
      </div>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
        <SortableContext items={table.fields.map((field) => field.id)} strategy={verticalListSortingStrategy}>
          <ol aria-label={`Fields of ${table.name}`}>
            {table.fields.map((field, at) => (
              <FieldRow
                key={field.id}
                table={table}
                field={field}
                unfolded={field.id === unfolded}
                onUnfold={(open) => setUnfolded(open ? field.id : undefined)}
                onMove={(by) => place(field.id, Math.max(0, at + by))}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <AddField table={table} />
    </>
  )
}
