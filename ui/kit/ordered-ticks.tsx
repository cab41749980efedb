'use client'

import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { ChevronDown, ChevronUp, GripVertical } from 'lucide-react'
import { IconButton } from './button'
import { SortableRows } from './sortable-rows'
import { TickBox } from './tick-box'

export interface OrderedTick {
  readonly id: string
  readonly words: string
  readonly ticked: boolean
  /** It can't be taken out just now. */
  readonly held?: boolean
}

interface Props {
  /** What the ids of its ticks begin with in the page. */
  readonly name: string
  readonly legend: string
  readonly all: readonly OrderedTick[]
  /** What moving one up and down does: "further left". */
  readonly ways: readonly [string, string]
  readonly onTick: (id: string, ticked: boolean) => void
  /** Puts one before another, or last. */
  readonly onPlace: (id: string, before: string | null) => void
}

/** Several that are ticked, and put in order. */
export const OrderedTicks = ({ name, legend, all, ways, onTick, onPlace }: Props) => (
  <fieldset>
    <legend className="pb-1 text-[13px] text-ash-6">{legend}</legend>
    <SortableRows ids={all.map(({ id }) => id)} onPlace={onPlace}>
      {(move) => (
        <ul>
          {all.map((one, at) => (
            <Row
              key={one.id}
              name={name}
              one={one}
              ways={ways}
              isFirst={at === 0}
              isLast={at === all.length - 1}
              onTick={(now) => onTick(one.id, now)}
              onMove={(by) => move(one.id, by)}
            />
          ))}
        </ul>
      )}
    </SortableRows>
  </fieldset>
)

interface RowProps extends Pick<Props, 'name' | 'ways'> {
  readonly one: OrderedTick
  readonly isFirst: boolean
  readonly isLast: boolean
  readonly onTick: (now: boolean) => void
  readonly onMove: (by: number) => void
}

function Row({ name, one: { id, words, ticked, held }, ways, isFirst, isLast, onTick, onMove }: RowProps) {
  const { setNodeRef, attributes, listeners, transform, transition } = useSortable({ id })
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className="flex items-center gap-1.5"
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${words}`}
        className="flex size-7 flex-none cursor-grab items-center justify-center rounded-sm text-ash-5"
      >
        <GripVertical size={14} aria-hidden />
      </button>
      <div className="min-w-0 flex-1">
        <TickBox id={`${name}-${id}`} checked={ticked} disabled={held ?? false} label={words} onChange={onTick} />
      </div>
      <IconButton label={`${words} ${ways[0]}`} disabled={isFirst} onClick={() => onMove(-1)}>
        <ChevronUp size={14} aria-hidden />
      </IconButton>
      <IconButton label={`${words} ${ways[1]}`} disabled={isLast} onClick={() => onMove(1)}>
        <ChevronDown size={14} aria-hidden />
      </IconButton>
    </li>
  )
}
