'use client'

import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { officeNow } from '@/app/office-now'
import type { Page } from '@/core/reports'
import { type Problem, wordProblem } from '@/core/words'
import type { EditionNow } from '@/server/reports'
import { freshId } from '@/ui/ids'
import { Refused } from '../rows-query'
import { useSettled } from '../use-settled'

/** What the server answers, or why it can't, in words. */
export async function answerOf<Answer>(asking: Promise<Response>): Promise<Answer> {
  const answer = await asking
  if (answer.ok) return (await answer.json()) as Answer
  const body = (await answer.json().catch(() => undefined)) as { problem?: Problem } | undefined
  throw body?.problem ? new Refused(wordProblem(body.problem)) : new Error('There was no answer.')
}

const retry = (failures: number, cause: Error) => !(cause instanceof Refused) && failures < 2
/** How often it is asked how far the pages are, in milliseconds. */
const often = 350

/** Something laid on pages: what is wished goes to a path; laid anew when it changes, and how far that is. */
export function useEdition<Found>(base: string, path: string, wished: object) {
  // A name or a margin that is still being typed is not laid with every letter.
  const wish = useSettled(JSON.stringify({ path, wished }), 350)
  const [view] = useState(freshId)
  const begun = useQuery({
    queryKey: ['edition', base, wish],
    queryFn: async ({ signal }) => {
      // Where it goes and what is wished belong together, also while either is about to change.
      const now = JSON.parse(wish) as { path: string; wished: object }
      const body = { ...now.wished, moment: officeNow().moment, view }
      const headers = { 'content-type': 'application/json' }
      const asking = fetch(`${base}/${now.path}`, { method: 'POST', headers, body: JSON.stringify(body), signal })
      return answerOf<EditionNow<Found>>(asking)
    },
    retry,
    staleTime: Infinity,
    gcTime: 0,
    placeholderData: keepPreviousData,
  })
  const id = begun.data?.id
  // What is about to be laid anew is gone as soon as that begins: it isn't asked after any more.
  const asked = begun.isFetching ? undefined : id
  const now = useQuery({
    queryKey: ['edition-now', base, asked],
    enabled: asked !== undefined,
    queryFn: ({ signal }) =>
      answerOf<EditionNow<Found>>(fetch(`${base}/reports/laid?edition=${asked ?? ''}`, { signal })),
    retry,
    gcTime: 0,
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) => (state.data?.laid || state.data?.problem || state.error ? false : often),
  })
  // Whoever goes away wants no more of it.
  useEffect(
    () => () => {
      void fetch(`${base}/reports/leave`, { method: 'POST', body: view, keepalive: true }).catch(() => undefined)
    },
    [base, view],
  )
  const error = begun.error ?? now.error
  return { now: now.data?.id === id ? (now.data ?? begun.data) : begun.data, error, again: () => void begun.refetch() }
}

/** One page; with how many there are at its foot, once that is known. */
export function usePage(base: string, edition: string, at: number, total: number | undefined) {
  return useQuery({
    queryKey: ['edition-page', base, edition, at, total],
    queryFn: async ({ signal }) => {
      const asking = fetch(`${base}/reports/laid?edition=${edition}&page=${at}`, { signal })
      const page = await answerOf<Page | null>(asking)
      if (!page) throw new Refused(wordProblem({ kind: 'edition-gone' }))
      return page
    },
    retry,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  })
}

/** Where the PDF of an edition is: to be looked at, or taken down. */
export const pdfOf = (base: string, edition: string, how: 'look' | 'file') =>
  `${base}/reports/laid?edition=${edition}&pdf=${how}`

/** Where the documents of an edition are as a PDF each, in one ZIP file. */
export const filesOf = (base: string, edition: string) => `${base}/reports/laid?edition=${edition}&zip=file`
