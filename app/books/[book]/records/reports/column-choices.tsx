'use client'

import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { ChevronDown, ChevronUp, GripVertical } from 'lucide-react'
import type { Report } from '@/core/book'
import type { ReadList } from '@/core/lists'
import { shownIn } from '@/core/reports'
import { IconButton, SortableRows, TickBox } from '@/ui/kit'

interface Props {
  readonly report: Report
  readonly read: ReadList
  readonly onChange: (to: Partial<Report>) => void
}

/** Which columns stand on paper, and in which order. */
export function ColumnChoices({ report, read, onChange }: Props) {
  const without = report.without ?? []
  const all = shownIn(read, { order: report.order }).flatMap((place) => read.columns[place] ?? [])
  const ids = all.map(({ id }) => id)
  const shown = new Set(shownIn(read, report).flatMap((place) => read.columns[place]?.id ?? []))
  const place = (id: string, before: string | null) => {
    const others = ids.filter((one) => one !== id)
    const at = before === null ? others.length : others.indexOf(before)
    const order = others.toSpliced(at, 0, id)
    const isListed = order.every((one, index) => one === read.columns[index]?.id)
    onChange({ order: isListed ? undefined : order })
  }
  const tick = (id: string, now: boolean) => {
    const left = now ? without.filter((one) => one !== id) : [...without, id]
    onChange({ without: left.length > 0 ? left : undefined })
  }
  return (
    <fieldset>
      <legend className="pb-1 text-[13px] text-ash-6">On paper, in this order</legend>
      <SortableRows ids={ids} onPlace={place}>
        {(move) => (
          <ul>
            {all.map(({ id, heading }, at) => (
              <ColumnRow
                key={id}
                id={id}
                heading={heading}
                isShown={shown.has(id)}
                isLone={shown.size === 1}
                isFirst={at === 0}
                isLast={at === all.length - 1}
                onTick={(now) => tick(id, now)}
                onMove={(by) => move(id, by)}
              />
            ))}
          </ul>
        )}
      </SortableRows>
    </fieldset>
  )
}

interface RowProps {
  readonly id: string
  readonly heading: string
  readonly isShown: boolean
  readonly isLone: boolean
  readonly isFirst: boolean
  readonly isLast: boolean
  readonly onTick: (now: boolean) => void
  readonly onMove: (by: number) => void
}

function ColumnRow({ id, heading, isShown, isLone, isFirst, isLast, onTick, onMove }: RowProps) {
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
        aria-label={`Move ${heading}`}
        className="flex size-7 flex-none cursor-grab items-center justify-center rounded-sm text-ash-5"
      >
        <GripVertical size={14} aria-hidden />
      </button>
      <div className="min-w-0 flex-1">
        <TickBox
          id={`report-column-${id}`}
          checked={isShown}
          disabled={isShown && isLone}
          label={heading}
          onChange={onTick}
        />
      </div>
      <IconButton label={`${heading} further left`} disabled={isFirst} onClick={() => onMove(-1)}>
        <ChevronUp size={14} aria-hidden />
      </IconButton>
      <IconButton label={`${heading} further right`} disabled={isLast} onClick={() => onMove(1)}>
        <ChevronDown size={14} aria-hidden />
      </IconButton>
    </li>
  )
}
