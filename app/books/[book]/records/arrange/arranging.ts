'use client'

import { createContext, use } from 'react'
import type { Form, FormLines } from '@/core/book'
import type { Side } from '@/core/forms'

/** A form while it is arranged: what is chosen in it, and what can be done. */
export interface Arranging {
  readonly tableId: string
  readonly lines: FormLines
  readonly starts: Form['starts']
  readonly chosen: string | undefined
  readonly choose: (id: string | undefined) => void
  readonly change: (lines: FormLines) => void
  /** Shows other lines until they are changed to, or let go. */
  readonly preview: (lines: FormLines | undefined) => void
  readonly leaveOut: (id: string) => void
  /** Where what is being dragged would go. */
  readonly over: { readonly id: string; readonly side: Side } | undefined
}

export const ArrangingContext = createContext<Arranging | undefined>(undefined)

export function useArranging(): Arranging {
  const arranging = use(ArrangingContext)
  if (!arranging) throw new Error('Expected a form that is arranged.')
  return arranging
}

/** What tells how a part is moved with keys, in the page. */
export const keysId = 'arranging-keys'
