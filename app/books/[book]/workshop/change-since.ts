import { type Book, type Step } from '@/core/book'
import { stepsSince } from '@/server/books'
import type { Catalogue } from '@/server/catalogue'

/** How a book has changed since the browser had it: by steps, or the whole book where the way there is long. */
export type ChangeSince = { readonly steps: readonly Step[] } | { readonly book: Book }

/** So many edits are told step by step. */
const fewEdits = 50

export async function changeSince(
  db: Catalogue,
  bookId: string,
  base: number,
  { revision, book }: { readonly revision: number; readonly book: Book },
): Promise<ChangeSince> {
  if (base < 0 || revision - base > fewEdits) return { book }
  const steps = await stepsSince(db, bookId, base, revision)
  // Going far back is one edit with very many steps.
  return steps.length > mostSteps ? { book } : { steps }
}

const mostSteps = 2000
