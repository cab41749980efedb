'use client'

import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { officeNow } from '@/app/office-now'
import type { List } from '@/core/book'
import type { Cursor } from '@/core/records'
import { type Problem, wordProblem } from '@/core/words'
import type { AskedPage } from '@/server/live'
import { Refused } from '../rows-query'

export interface LinesPage extends AskedPage {
  readonly count?: number
}

/** What is sent to run a list. */
export const runOf = (list: List, given: Readonly<Record<string, string>>) => ({
  list,
  given,
  moment: officeNow().moment,
})

async function ask(base: string, run: object, signal: AbortSignal): Promise<LinesPage> {
  const answer = await fetch(`${base}/lists/run`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(run),
    signal,
  })
  if (!answer.ok) {
    const body = (await answer.json().catch(() => undefined)) as { problem?: Problem } | undefined
    throw body?.problem ? new Refused(wordProblem(body.problem)) : new Error('The list could not be read.')
  }
  return (await answer.json()) as LinesPage
}

/** Only what changes the answer: a name doesn't. */
const keyOf = ({ table, columns, where, asks, order }: List) => ({ table, columns, where, asks, order })
const retry = (failures: number, cause: Error) => !(cause instanceof Refused) && failures < 2

/** The lines of a list, page by page as they are needed. */
export function useListLines(base: string, list: List, given: Readonly<Record<string, string>>, enabled: boolean) {
  return useInfiniteQuery({
    enabled,
    queryKey: ['list', keyOf(list), given],
    // What is seen stays until the next is there, so that nothing jumps.
    placeholderData: keepPreviousData,
    initialPageParam: undefined as Cursor | undefined,
    queryFn: ({ pageParam, signal }) =>
      ask(base, { ...runOf(list, given), ...(pageParam && { after: pageParam }) }, signal),
    retry,
    getNextPageParam: (last) => last.next,
  })
}

/** How many records a list would have. */
export function useListCount(base: string, list: List, given: Readonly<Record<string, string>>, enabled: boolean) {
  return useQuery({
    enabled,
    queryKey: ['list-count', list.table, list.where, list.asks, given],
    queryFn: async ({ signal }) => (await ask(base, { ...runOf(list, given), limit: 1 }, signal)).count,
    retry,
  })
}
