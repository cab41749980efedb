'use client'

import { useEffect, useMemo, useState } from 'react'
import { toast } from 'sonner'
import type { Book } from '@/core/book'
import { followNeeds, type Proposals, proposalsFor, type Reading } from '@/core/needs'
import { readNeedsApart } from '@/workers/read-needs'

/**
 * What the words of the needs propose. Undefined until they were read for the first time; while changed
 * words are read again, what was read before stands, moved along with its needs.
 */
export function useProposals(book: Book): Proposals | undefined {
  const [read, setRead] = useState<{ readonly texts: readonly string[]; readonly reading: Reading }>()
  const texts = useMemo(() => book.needs.map((need) => need.text), [book.needs])
  useEffect(() => {
    let ended = false
    readNeedsApart(texts).then(
      (reading) => !ended && setRead({ texts, reading }),
      () => toast('The words could not be read just now. Everything you wrote is kept; reload the page to try again.'),
    )
    return () => {
      ended = true
    }
  }, [texts])
  return useMemo(() => read && proposalsFor(book, followNeeds(read.reading, read.texts, texts)), [book, read, texts])
}
