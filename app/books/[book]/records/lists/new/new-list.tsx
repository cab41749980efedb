'use client'

import { useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { findTable } from '@/core/book'
import { startList } from '@/core/lists'
import { shownTables } from '@/core/records'
import { Empty } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useRecords } from '../../records-context'
import { ListSheet } from '../list-sheet'

/** A list that isn't kept yet, of the table that the address names, or of the first. */
export function NewList() {
  const { book } = useRecords()
  const asked = useSearchParams().get('of') ?? ''
  const table = findTable(book, asked) ?? shownTables(book).main[0]
  const [id] = useState(freshId)
  if (!table) return <Empty head="There is nothing to list">The book has no tables yet.</Empty>
  return <ListSheet key={table.id} kept={undefined} start={startList(book, table.id, id)} />
}
