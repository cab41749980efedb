'use client'

import { createContext, use } from 'react'
import type { Book, Edit } from '@/core/book'

export interface Opened {
  readonly everOpened: boolean
  readonly revision: number
}

export interface Workshop {
  readonly id: string
  readonly book: Book
  readonly revision: number
  readonly opened: Opened
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
