'use client'

import { Lock } from 'lucide-react'
import type { Field } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { kindOf } from '@/core/kinds'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'

interface Props {
  readonly id: string
  readonly field: Field
  /** Undefined while it is being fetched. */
  readonly text: string | undefined
  readonly compact?: boolean
  /** Without a line of its own beneath. */
  readonly bare?: boolean
  readonly spoken?: string
  /** Why it no longer moves. */
  readonly frozen?: string | undefined
  /** A rule refuses what it comes to; the note beneath says so. */
  readonly invalid?: boolean
}

/** A fact that comes by itself. It stands on the paper rather than in a box, as nothing can be typed there. */
export function DerivedBox({ id, field, text, compact, bare, spoken, frozen, invalid }: Props) {
  const { book } = useRecords()
  const face = displayOf(book, field)
  return (
    <output
      id={id}
      aria-label={spoken ?? field.name}
      aria-live="off"
      // Where a rule refuses it, one is led here.
      tabIndex={-1}
      data-lacks={invalid ? '' : undefined}
      aria-describedby={invalid ? `${id}-note` : undefined}
      className={classNames(
        'flex items-center gap-1.5 break-words',
        invalid && 'rounded-sm outline-1 outline-ember',
        compact ? 'min-h-8.5' : 'min-h-9',
        compact ? 'px-2.5' : !bare && 'border-b border-dashed border-ash-4 px-0.5',
        kindOf(face.kind).align === 'end' && 'justify-end text-right',
        face.kind === 'passage' && 'whitespace-pre-line',
      )}
    >
      {frozen && (
        <span title={frozen} className="text-ash-6">
          <Lock size={13} aria-hidden />
          <span className="sr-only">{frozen}. </span>
        </span>
      )}
      {text === undefined ? <span className="text-ash-6">…</span> : text || <span className="text-ash-6">–</span>}
    </output>
  )
}
