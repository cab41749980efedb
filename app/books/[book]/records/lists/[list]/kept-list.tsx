'use client'

import { type List, findTable } from '@/core/book'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { ListSheet } from '../list-sheet'

/** A list that is kept, as it is today. */
export function KeptList({ list }: { readonly list: List }) {
  const { book } = useRecords()
  if (findTable(book, list.table)) return <ListSheet kept={list} start={list} />
  return (
    <Room>
      <Empty head="This list can’t be run yet">Its table comes with the next opening of the book.</Empty>
    </Room>
  )
}
