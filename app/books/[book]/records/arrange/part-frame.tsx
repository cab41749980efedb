'use client'

import { useDraggable, useDroppable } from '@dnd-kit/core'
import { GripHorizontal } from 'lucide-react'
import type { KeyboardEvent } from 'react'
import { formColumns, type FormPart } from '@/core/book'
import {
  type Asking,
  askings,
  type Direction,
  movePart,
  partNameOf,
  sayAsked,
  type Side,
  widenPart,
} from '@/core/forms'
import { classNames } from '@/ui/kit'
import type { PartFrame as Frame } from '../form/form-lines'
import { useRecords } from '../records-context'
import { keysId, useArranging } from './arranging'
import { focusPart } from './focus-part'
import { ResizeEdge } from './resize-edge'

const arrows: Readonly<Record<string, Direction>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
}

/** Where something would come to lie, as a bar on that side of the part. */
const bars: Readonly<Record<Side, string>> = {
  before: 'before:inset-y-0 before:-left-2 before:w-1 before:rounded-full',
  after: 'before:inset-y-0 before:-right-2 before:w-1 before:rounded-full',
  above: 'before:inset-x-0 before:-top-2.5 before:h-1 before:rounded-full',
  below: 'before:inset-x-0 before:-bottom-2.5 before:h-1 before:rounded-full',
  into: 'before:inset-0 before:rounded-lg before:border-2 before:border-dashed before:border-spruce before:bg-transparent',
}

/** A part of a form that is arranged: pressed to choose it, dragged, moved and made wider by keys. */
export const PartFrame: Frame = ({ part, style, className, children }) => {
  const { chosen, over } = useArranging()
  const { setNodeRef } = useDroppable({ id: part.id, data: { kind: part.kind } })
  const isOver = over?.id === part.id
  return (
    <div
      ref={setNodeRef}
      data-part={part.id}
      style={style}
      className={classNames(
        className,
        'relative rounded-md',
        isOver && 'before:pointer-events-none before:absolute before:z-20 before:bg-spruce',
        isOver && bars[over.side],
      )}
    >
      {part.kind === 'group' ? (
        <>
          <Handle
            part={part}
            look="relative mb-1 flex min-h-7 w-full items-center px-2 text-left text-[13px] text-ash-6"
            words
          />
          <Asked part={part} />
          {children}
        </>
      ) : (
        <>
          {/* What stands in it is only looked at here. */}
          <div inert>
            {children}
            <Asked part={part} />
          </div>
          <Handle part={part} look="absolute -inset-1 z-10" />
        </>
      )}
      {chosen === part.id && <ResizeEdge part={part} />}
    </div>
  )
}

const asked: Readonly<Record<Asking, string>> = { shows: 'Shows', must: 'Must be filled', onlyRead: 'Only read' }

/** When a part shows, must be filled or is only read. */
function Asked({ part }: { readonly part: FormPart }) {
  const { book } = useRecords()
  const { tableId } = useArranging()
  const said = askings.flatMap((asks) => {
    const words = sayAsked(book, tableId, part, asks)
    return words ? [`${asked[asks]} ${words}`] : []
  })
  if (said.length === 0) return null
  return <p className="pt-1 text-xs text-brass [overflow-wrap:anywhere]">{said.join(' · ')}</p>
}

/** What is pressed, dragged and moved by keys; over the whole part, or a bar above a group. */
function Handle({ part, look, words }: { readonly part: FormPart; readonly look: string; readonly words?: boolean }) {
  const { book } = useRecords()
  const { tableId, lines, chosen, choose, change, leaveOut } = useArranging()
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: part.id })
  const isChosen = chosen === part.id
  const name = partNameOf(book, tableId, part)
  const onKeyDown = (event: KeyboardEvent) => {
    const direction = arrows[event.key]
    const way = direction === 'left' ? -1 : direction === 'right' ? 1 : 0
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (direction && event.shiftKey && way !== 0) change(widenPart(lines, part.id, way))
    else if (direction && !event.shiftKey) change(movePart(lines, part.id, direction))
    else if (event.key === 'Delete') leaveOut(part.id)
    else if (event.key === 'Escape') choose(undefined)
    else return
    event.preventDefault()
    if (event.key !== 'Delete' && event.key !== 'Escape') focusPart(part.id)
  }
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      data-handle={part.id}
      aria-pressed={isChosen}
      aria-describedby={keysId}
      aria-label={`${name}, ${part.span} of ${formColumns} columns wide`}
      onClick={() => choose(part.id)}
      onFocus={() => choose(part.id)}
      onKeyDown={onKeyDown}
      className={classNames(
        'cursor-grab touch-none rounded-md outline-offset-0',
        isChosen ? 'bg-spruce/10 ring-2 ring-spruce' : 'ring-1 ring-transparent hover:bg-spruce/5 hover:ring-ash-4',
        words && !isChosen && 'bg-ash-2',
        isDragging && 'opacity-40',
        look,
      )}
    >
      {words && (
        <>
          <GripHorizontal size={14} aria-hidden className="mr-1.5 text-ash-5" /> Group
        </>
      )}
    </button>
  )
}
