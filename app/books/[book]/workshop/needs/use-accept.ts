'use client'

import { useRouter } from 'next/navigation'
import { applyEdit } from '@/core/book'
import { acceptEdits, type FormTotal, proposalsFor, type Reading, totalEdits } from '@/core/needs'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'

/** Takes a whole reading, and what is calculated of it, into the book as one edit and goes to its tables. */
export function useAccept(): (reading: Reading, say: string, totals?: readonly FormTotal[]) => void {
  const { id, book, edit } = useWorkshop()
  const router = useRouter()
  return (reading, say, totals = []) => {
    const typed = acceptEdits(
      book,
      proposalsFor(book, reading).all.filter((one) => one.state !== 'here'),
      freshId,
    )
    // What is calculated goes into the tables that come of it, or that were there before.
    const made = typed.length > 0 ? applyEdit(book, { kind: 'together', say, edits: typed }) : undefined
    const edits = [...typed, ...totalEdits(made?.ok ? made.value.book : book, totals, freshId)]
    const last = edits.findLast((one) => one.kind === 'addTable')
    if (edits.length > 0 && edit({ kind: 'together', say: say.slice(0, 300), edits }))
      router.push(`/books/${id}/workshop/tables${last ? `?table=${last.id}` : ''}`)
  }
}
