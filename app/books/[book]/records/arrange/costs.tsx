'use client'

import type { FormLines } from '@/core/book'
import { leftOut } from '@/core/forms'
import { Note } from '@/ui/kit'
import { useRecords } from '../records-context'

interface Props {
  readonly tableId: string
  readonly lines: FormLines
  /** What keeps nobody from saving is said too. */
  readonly all?: boolean
}

/** What a form leaves out that costs something. */
export function Costs({ tableId, lines, all = false }: Props) {
  const { book } = useRecords()
  return leftOut(book, tableId, lines)
    .filter(({ stops }) => stops || all)
    .map(({ id, name, cost, stops }) => (
      <Note key={id} mark={stops ? 'settle' : 'info'} head={`${name} is left out`}>
        {cost}
      </Note>
    ))
}
