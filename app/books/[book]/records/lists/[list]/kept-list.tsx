'use client'

import { type List, findTable } from '@/core/book'
import type { ListUse } from '@/server/books'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { ListSheet } from '../list-sheet'

interface Props {
  readonly list: List
  /** What was answered last to what it asks. */
  readonly answered: Readonly<Record<string, string>>
  readonly use: ListUse | undefined
}

/** A list that is kept, as it is today. */
export function KeptList({ list, answered, use }: Props) {
  const { book } = useRecords()
  // Records that it speaks of are called as they are today.
  const start = book.lists.find(({ id }) => id === list.id) ?? list
  if (findTable(book, list.table)) return <ListSheet kept={list} start={start} answered={answered} use={use} />
  return (
    <Room>
      <Empty head="This list can’t be run yet">Its table comes with the next opening of the book.</Empty>
    </Room>
  )
}
