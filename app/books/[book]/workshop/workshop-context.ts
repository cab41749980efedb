'use client'

import { createContext, use } from 'react'
import type { Book, Edit } from '@/core/book'
import type { Coverage, Proposals } from '@/core/needs'

export interface Opened {
  readonly everOpened: boolean
  readonly revision: number
}

export interface Workshop {
  readonly id: string
  readonly book: Book
  readonly revision: number
  readonly opened: Opened
  /** What the words of the needs propose, and for each need whether it is met; undefined until they were read. */
  readonly proposals: Proposals | undefined
  readonly coverage: readonly Coverage[] | undefined
  /** Makes an edit; says a refusal in words and returns whether it was made. */
  readonly edit: (edit: Edit) => boolean
  readonly undo: () => void
  readonly redo: () => void
  readonly backTo: (revision: number) => Promise<void>
  /** After an opening. */
  readonly setOpened: (opened: Opened) => void
}

export const WorkshopContext = createContext<Workshop | undefined>(undefined)

export function useWorkshop(): Workshop {
  const workshop = use(WorkshopContext)
  if (!workshop) throw new Error('Expected to be inside the Workshop.')
  return workshop
}
