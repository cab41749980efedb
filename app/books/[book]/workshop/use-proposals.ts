'use client'

import { useEffect, useState } from 'react'
import { toast } from 'sonner'
import type { Book } from '@/core/book'
import type { Proposals } from '@/core/needs'
import { readNeedsApart } from '@/workers/read-needs'

/** What the words of the needs propose. Undefined until they were read for the first time. */
export function useProposals(book: Book): Proposals | undefined {
  const [proposals, setProposals] = useState<Proposals>()
  useEffect(() => {
    let ended = false
    readNeedsApart(book).then(
      (read) => !ended && setProposals(read),
      () => toast('The words could not be read just now. Everything you wrote is kept; reload the page to try again.'),
    )
    return () => {
      ended = true
    }
  }, [book])
  return proposals
}
