'use client'

import dynamic from 'next/dynamic'
import { findTable, type Template } from '@/core/book'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../records-context'

// The editor is large, and nobody else needs it.
const DocumentSheet = dynamic(() => import('./document-sheet').then((made) => made.DocumentSheet), { ssr: false })

interface Props {
  readonly template: Template
  /** Whether it is kept already. */
  readonly isNew?: boolean
}

/** A document to be written or read. */
export function OneDocument({ template, isNew = false }: Props) {
  const { book } = useRecords()
  const table = findTable(book, template.table)
  if (table) return <DocumentSheet table={table} kept={isNew ? undefined : template} start={template} />
  return (
    <Room>
      <Empty head="This document can’t be written yet">Its table comes with the next opening of the book.</Empty>
    </Room>
  )
}
