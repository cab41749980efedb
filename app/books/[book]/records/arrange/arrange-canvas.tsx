'use client'

import {
  type Collision,
  type CollisionDetection,
  DndContext,
  type DragEndEvent,
  DragOverlay,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { useState } from 'react'
import { FormProvider, useForm } from 'react-hook-form'
import { officeNow } from '@/app/office-now'
import type { FormLines } from '@/core/book'
import { findPart, partNameOf, placePart, type Side, sideAt, spotBeside } from '@/core/forms'
import type { FormText } from '@/core/records'
import type { LiveRecord } from '@/server/live'
import { asksNothing } from '../form/form-asks'
import { FormDress } from '../form/form-dress'
import { FormLinesOf } from '../form/form-lines'
import { shownOfLinked, useLinkedValues } from '../form/linked-values'
import { LiveFactsOf } from '../form/live-facts'
import { useRecords } from '../records-context'
import { type Arranging, ArrangingContext, keysId } from './arranging'
import { PartFrame } from './part-frame'
import { textToShow } from './text-to-show'

interface Props extends Omit<Arranging, 'over'> {
  readonly stored: LiveRecord | undefined
  /** The lines as they would be. */
  readonly shown: FormLines
}

/** The form with a record in it, each of its parts to be chosen, dragged and moved. */
export function ArrangeCanvas({ stored, shown, ...arranging }: Props) {
  const { book } = useRecords()
  const { tableId, lines, change, choose } = arranging
  const [now] = useState(officeNow)
  const [text] = useState(() => textToShow(book, tableId, stored, now))
  const form = useForm<FormText>({ defaultValues: text })
  const facts = useLinkedValues(shownOfLinked(lines, asksNothing.conditions))
  const [over, setOver] = useState<Arranging['over']>()
  const [dragged, setDragged] = useState<string>()
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }))
  const end = ({ active, collisions }: DragEndEvent) => {
    const place = placeIn(collisions)
    setDragged(undefined)
    setOver(undefined)
    const spot = place && place.id !== active.id ? spotBeside(lines, place.id, place.side) : undefined
    if (spot) change(placePart(lines, String(active.id), spot))
  }
  const part = dragged === undefined ? undefined : findPart(lines, dragged)?.part
  return (
    <FormProvider {...form}>
      <ArrangingContext value={{ ...arranging, over }}>
        <p id={keysId} className="sr-only">
          Arrow keys move it, Shift and arrow keys make it wider or narrower, Delete leaves it out.
        </p>
        <DndContext
          sensors={sensors}
          collisionDetection={smallestUnder}
          onDragStart={({ active }) => {
            setDragged(String(active.id))
            choose(String(active.id))
          }}
          onDragMove={({ active, collisions }) => {
            const place = placeIn(collisions)
            setOver(place?.id === active.id ? undefined : place)
          }}
          onDragEnd={end}
          onDragCancel={() => {
            setDragged(undefined)
            setOver(undefined)
          }}
        >
          <LiveFactsOf tableId={tableId} stored={stored} now={now} facts={facts} asks={asksNothing}>
            <FormDress>
              <FormLinesOf
                lines={shown}
                at={{
                  ...{ tableId, now, stored: stored !== undefined, unfolded: true, Frame: PartFrame },
                  isClosed: () => false,
                }}
              />
            </FormDress>
          </LiveFactsOf>
          <DragOverlay dropAnimation={null}>
            {part && (
              <span className="inline-block rounded-md bg-spruce px-2.5 py-1.5 text-[13px] font-semibold text-on-spruce shadow-float">
                {partNameOf(book, tableId, part)}
              </span>
            )}
          </DragOverlay>
        </DndContext>
      </ArrangingContext>
    </FormProvider>
  )
}

interface Place {
  readonly id: string
  readonly side: Side
}

/** The innermost part under the pointer, and over which of its sides that is. */
const smallestUnder: CollisionDetection = ({ droppableContainers, droppableRects, pointerCoordinates: at }) => {
  if (!at) return []
  const under = droppableContainers.flatMap((container): Collision[] => {
    const rect = droppableRects.get(container.id)
    if (!rect || at.x < rect.left || at.x > rect.right || at.y < rect.top || at.y > rect.bottom) return []
    const kind = String((container.data.current as { kind?: string } | undefined)?.kind)
    const side = sideAt(kind, (at.x - rect.left) / rect.width, (at.y - rect.top) / rect.height)
    return [{ id: container.id, data: { droppableContainer: container, side, value: rect.width * rect.height } }]
  })
  return under.sort((a, b) => Number(a.data?.value) - Number(b.data?.value)).slice(0, 1)
}

function placeIn(collisions: readonly Collision[] | null): Place | undefined {
  const [first] = collisions ?? []
  return first && { id: String(first.id), side: first.data?.side as Side }
}
