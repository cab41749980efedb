'use client'

import { createContext, use } from 'react'
import type { Book } from '@/core/book'
import type { ListRow } from '@/core/records'
import type { TrayFile } from '@/server/tray'
import type { RecordsPeople } from './records-bar'

export interface LinkedWish {
  readonly table: string
  /** What had been typed into the link's box: put into the first line the record is known by. */
  readonly words: string
}

export interface RecordsSide extends RecordsPeople {
  /** The design as it was opened: what the records follow. */
  readonly book: Book
  readonly mayChange: boolean
  readonly base: string
  /** What waited in the tray when Records was opened. */
  readonly tray: readonly TrayFile[]
  /** Lets somebody enter a record of another table without leaving; nothing where they think better of it. */
  readonly addLinked: (wish: LinkedWish) => Promise<ListRow | undefined>
}

export const RecordsContext = createContext<RecordsSide | undefined>(undefined)

export function useRecords(): RecordsSide {
  const side = use(RecordsContext)
  if (!side) throw new Error('Expected to be in Records.')
  return side
}
