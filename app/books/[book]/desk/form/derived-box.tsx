'use client'

import type { Field } from '@/core/book'
import { faceOf } from '@/core/expressions'
import { kindOf } from '@/core/kinds'
import { classNames } from '@/ui/kit'
import { useDesk } from '../desk-context'

interface Props {
  readonly id: string
  readonly field: Field
  /** Undefined while it is being fetched. */
  readonly text: string | undefined
  readonly compact?: boolean
  /** Without a line of its own beneath. */
  readonly bare?: boolean
  readonly spoken?: string
}

/** A fact that comes by itself. It stands on the paper rather than in a box, as nothing can be typed there. */
export function DerivedBox({ id, field, text, compact, bare, spoken }: Props) {
  const { book } = useDesk()
  const face = faceOf(book, field)
  return (
    <output
      id={id}
      aria-label={spoken ?? field.name}
      aria-live="off"
      className={classNames(
        'flex items-center break-words',
        compact ? 'min-h-8.5' : 'min-h-9',
        compact ? 'px-2.5' : !bare && 'border-b border-dashed border-ash-4 px-0.5',
        kindOf(face.kind).align === 'end' && 'justify-end text-right',
        face.kind === 'passage' && 'whitespace-pre-line',
      )}
    >
      {text === undefined ? <span className="text-ash-6">…</span> : text || <span className="text-ash-6">–</span>}
    </output>
  )
}
