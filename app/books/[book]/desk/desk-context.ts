'use client'

import { createContext, use } from 'react'
import type { Book } from '@/core/book'
import type { ListRow } from '@/core/records'
import type { DeskPeople } from './desk-bar'

export interface LinkedWish {
  readonly table: string
  /** What had been typed into the link's box: put into the first line the record is known by. */
  readonly words: string
}

export interface Desk extends DeskPeople {
  /** The design as it was opened: what the records follow. */
  readonly book: Book
  readonly mayChange: boolean
  readonly base: string
  /** Lets somebody enter a record of another table without leaving; nothing where they think better of it. */
  readonly addLinked: (wish: LinkedWish) => Promise<ListRow | undefined>
}

export const DeskContext = createContext<Desk | undefined>(undefined)

export function useDesk(): Desk {
  const desk = use(DeskContext)
  if (!desk) throw new Error('Expected to be at the Desk.')
  return desk
}
