'use client'

import { useRouter } from 'next/navigation'
import { acceptEdits, proposalsFor, type Reading } from '@/core/needs'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'

/** Takes a whole reading into the book as one edit and goes to its tables. */
export function useAccept(): (reading: Reading, say: string) => void {
  const { id, book, edit } = useWorkshop()
  const router = useRouter()
  return (reading, say) => {
    const edits = acceptEdits(
      book,
      proposalsFor(book, reading).all.filter((one) => one.state !== 'here'),
      freshId,
    )
    const last = edits.findLast((one) => one.kind === 'addTable')
    if (edits.length > 0 && edit({ kind: 'together', say: say.slice(0, 300), edits }))
      router.push(`/books/${id}/workshop/tables${last ? `?table=${last.id}` : ''}`)
  }
}
