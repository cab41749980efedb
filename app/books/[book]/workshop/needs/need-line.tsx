'use client'

import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { GripVertical, Trash2 } from 'lucide-react'
import { type KeyboardEvent, useState } from 'react'
import type { Need } from '@/core/book'
import type { Coverage, Piece } from '@/core/needs'
import { classNames, IconButton } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import { MarkedWords } from './marked-words'

interface Props {
  readonly need: Need
  readonly number: number
  readonly chosen: boolean
  readonly pieces: readonly Piece[]
  readonly coverage: Coverage | undefined
  readonly onChoose: () => void
  readonly onMove: (by: number) => void
}

/** One need, edited in place, moved by its handle or with Alt and the arrow keys. */
export function NeedLine({ need, number, chosen, pieces, coverage, onChoose, onMove }: Props) {
  const { edit } = useWorkshop()
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: need.id })
  const [text, setText] = useState<string>()
  // Before the words were read nothing is said of them.
  const state = coverage?.state
  const found = coverage && state === 'not' && coverage.open > 0 ? `${coverage.open} found` : undefined

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
      <div className="grid min-w-0 flex-1 grid-cols-[minmax(0,1fr)] wrap-anywhere">
        {text === undefined && <MarkedWords pieces={pieces} />}
        <textarea
          aria-label={`Need ${number}`}
          rows={1}
          value={text ?? need.text}
          onFocus={onChoose}
          onChange={(event) => setText(event.target.value)}
          onBlur={keep}
          onKeyDown={onKeyDown}
          className="col-start-1 row-start-1 field-sizing-content min-h-8 min-w-0 resize-none rounded-sm bg-transparent px-1.5 py-1 break-words outline-offset-0 hover:ring-1 hover:ring-ash-4"
        />
      </div>
      <span
        className={classNames(
          'w-[58px] shrink-0 pt-1.5 text-right text-[13px]',
          state === 'met' ? 'text-spruce' : found ? 'font-bold text-ink' : 'font-semibold text-brass',
        )}
      >
        {found ?? (state && { met: 'met', part: 'in part', not: 'not met' }[state])}
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
