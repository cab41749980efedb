'use client'

import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { GripVertical, Trash2 } from 'lucide-react'
import { type KeyboardEvent, useState } from 'react'
import type { Need } from '@/core/book'
import { classNames, IconButton } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'

interface Props {
  readonly need: Need
  readonly number: number
  readonly chosen: boolean
  readonly onChoose: () => void
  readonly onMove: (by: number) => void
}

/** One need, edited in place, moved by its handle or with Alt and the arrow keys. */
export function NeedLine({ need, number, chosen, onChoose, onMove }: Props) {
  const { edit } = useWorkshop()
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: need.id })
  const [text, setText] = useState<string>()
  const met = need.metBy.length > 0

  const keep = () => {
    if (text !== undefined && text.trim() && text.trim() !== need.text)
      edit({ kind: 'changeNeed', need: need.id, text })
    setText(undefined)
  }
  const onKeyDown = (event: KeyboardEvent<HTMLTextAreaElement>) => {
    if (event.key === 'Enter' && !event.shiftKey) {
      event.preventDefault()
      event.currentTarget.blur()
    }
    if (event.key === 'Escape') {
      setText(undefined)
      event.currentTarget.blur()
    }
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault()
      onMove(event.key === 'ArrowUp' ? -1 : 1)
    }
  }
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={classNames(
        'group flex items-start gap-1 border-b border-ash-3 py-1.5 pr-1',
        chosen && 'bg-ash-1',
        isDragging && 'relative z-10 bg-paper shadow-float',
      )}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move need ${number}`}
        className="mt-0.5 flex h-7 w-9 shrink-0 cursor-grab items-center justify-end gap-0.5 rounded-sm pr-1 font-bold text-ash-6"
      >
        <GripVertical
          size={14}
          aria-hidden
          className="opacity-0 group-focus-within:opacity-60 group-hover:opacity-60"
        />
        {number}
      </button>
      <textarea
        aria-label={`Need ${number}`}
        rows={1}
        value={text ?? need.text}
        onFocus={onChoose}
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onKeyDown={onKeyDown}
        className="field-sizing-content min-h-8 min-w-0 flex-1 resize-none rounded-sm border border-transparent bg-transparent px-1.5 py-1 hover:border-ash-4 focus:bg-paper"
      />
      <span
        className={classNames(
          'w-[58px] shrink-0 pt-1.5 text-right text-[13px]',
          met ? 'text-spruce' : 'font-semibold text-brass',
        )}
      >
        {met ? 'met' : 'not met'}
      </span>
      <IconButton
        label={`Remove need ${number}`}
        className="mt-0.5 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
        onClick={() => edit({ kind: 'removeNeed', need: need.id })}
      >
        <Trash2 size={15} aria-hidden />
      </IconButton>
    </li>
  )
}
