'use client'

import { type PointerEvent, useRef } from 'react'
import { formColumns, type FormLines, type FormPart } from '@/core/book'
import { widenPart } from '@/core/forms'
import { useArranging } from './arranging'

interface Pull {
  readonly from: number
  /** How wide a column is, in pixels. */
  readonly column: number
  readonly lines: FormLines
}

/** The right edge of a part, pulled to make it wider. With keys that is done by Shift and the arrows. */
export function ResizeEdge({ part }: { readonly part: FormPart }) {
  const { lines, change, preview } = useArranging()
  const pull = useRef<Pull>(undefined)
  const pulled = useRef<FormLines>(undefined)
  const begin = (event: PointerEvent<HTMLElement>) => {
    event.stopPropagation()
    event.currentTarget.setPointerCapture(event.pointerId)
    const line = event.currentTarget.closest('[data-part]')?.parentElement
    pull.current = { from: event.clientX, column: (line?.clientWidth ?? 720) / formColumns, lines }
  }
  const move = (event: PointerEvent) => {
    if (!pull.current) return
    const by = Math.round((event.clientX - pull.current.from) / pull.current.column)
    pulled.current = widenPart(pull.current.lines, part.id, by)
    preview(pulled.current)
  }
  const end = () => {
    if (pulled.current) change(pulled.current)
    preview(undefined)
    pull.current = undefined
    pulled.current = undefined
  }
  return (
    <span
      aria-hidden
      title="Pull to make it wider or narrower"
      onPointerDown={begin}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={() => {
        preview(undefined)
        pull.current = undefined
        pulled.current = undefined
      }}
      className="absolute inset-y-0 -right-2 z-20 flex w-4 cursor-ew-resize touch-none items-center justify-center"
    >
      <span className="h-6 max-h-full w-1.5 rounded-full bg-spruce" />
    </span>
  )
}
