'use client'

import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { officeNow } from '@/app/office-now'
import type { List } from '@/core/book'
import type { Gap, ListFault } from '@/core/lists'
import type { Cursor } from '@/core/records'
import { type Problem, sameJson, wordProblem } from '@/core/words'
import type { AskedGroups, AskedPage } from '@/server/live'
import { Refused } from '../rows-query'

/** By what names the questions of a list are known, so that all are asked again, or stopped. */
export const readsOfLists = ['list', 'list-count', 'list-groups', 'group-lines', 'list-missing']

/** What is sent to run a list. */
const runOf = (list: List, given: Readonly<Record<string, string>>) => ({
  list,
  given,
  moment: officeNow().moment,
})

async function post(base: string, path: 'run' | 'take', run: object, signal?: AbortSignal): Promise<Response> {
  const answer = await fetch(`${base}/lists/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(run),
    ...(signal && { signal }),
  })
  if (answer.ok) return answer
  const body = (await answer.json().catch(() => undefined)) as { problem?: Problem } | undefined
  throw body?.problem ? new Refused(wordProblem(body.problem)) : new Error('The list could not be read.')
}

/** What is wrong with a list is a refusal like any other: there is nothing to show. */
async function ask<Answer extends object>(base: string, run: object, signal: AbortSignal): Promise<Answer> {
  const answer = (await (await post(base, 'run', run, signal)).json()) as Answer | { faults: readonly ListFault[] }
  if (!('faults' in answer)) return answer
  throw new Refused(answer.faults.map(({ problem }) => wordProblem(problem)).join(' '))
}

/** What a list can be taken out as: files, text for the clipboard, and the statements that it becomes. */
export type TakenAs = 'xlsx' | 'csv' | 'json' | 'tabs'

/** A list taken out whole, read to its end. */
export const takeList = async (base: string, list: List, given: Given, as: TakenAs): Promise<Blob> =>
  (await post(base, 'take', { ...runOf(list, given), as })).blob()

/** The statements that a list becomes. */
export const sqlOf = async (base: string, list: List, given: Given): Promise<string> =>
  ((await (await post(base, 'take', { ...runOf(list, given), as: 'sql' })).json()) as { sql: string }).sql

/** Only what changes the answer: a name doesn't. */
const keyOf = ({ table, columns, where, asks, order, first }: List) => ({ table, columns, where, asks, order, first })
const groupedKeyOf = ({ groups, figures, ...list }: List) => ({ ...keyOf(list), groups, figures })
const retry = (failures: number, cause: Error) => !(cause instanceof Refused) && failures < 2

/** A page of a list's lines, after a place. */
export const listPage = (base: string, list: List, given: Given, after: Cursor | undefined, signal: AbortSignal) =>
  ask<AskedPage>(base, { ...runOf(list, given), ...(after && { after }) }, signal)

/** The lines of a list, page by page as they are needed. */
export function useListLines(base: string, list: List, given: Readonly<Record<string, string>>, enabled: boolean) {
  return useInfiniteQuery({
    enabled,
    queryKey: ['list', keyOf(list), given],
    // What is seen stays until the next is there, so that nothing jumps.
    placeholderData: keepPreviousData,
    initialPageParam: undefined as Cursor | undefined,
    queryFn: async ({ pageParam, signal }) => {
      const began = performance.now()
      const page = await listPage(base, list, given, pageParam, signal)
      return { ...page, took: performance.now() - began }
    },
    retry,
    getNextPageParam: (last) => last.next,
  })
}

type Given = Readonly<Record<string, string>>
export type Path = readonly (string | null)[]

/** The groups of a list by some of what it is grouped by, within one of them; by none, all its records as one. */
export function useGroups(
  base: string,
  list: List,
  given: Given,
  {
    by,
    path = [],
    enabled = true,
  }: { readonly by: readonly number[]; readonly path?: Path; readonly enabled?: boolean },
) {
  return useQuery<AskedGroups>({
    enabled,
    // In whichever order its records stand.
    queryKey: ['list-groups', groupedKeyOf({ ...list, order: [] }), given, by, path, list.groups ?? null],
    // What is seen stays until the next is there, but only where it is of the same groups: a town is no month.
    placeholderData: (earlier, query) =>
      sameJson(query?.queryKey.slice(3), [by, path, list.groups ?? null]) ? earlier : undefined,
    queryFn: ({ signal }) => ask<AskedGroups>(base, { ...runOf(list, given), by, path }, signal),
    retry,
  })
}

/** The first few records of a group, and then more of them at a time. */
export function useGroupLines(base: string, list: List, given: Given, path: Path) {
  return useInfiniteQuery({
    queryKey: ['group-lines', groupedKeyOf(list), given, path],
    initialPageParam: undefined as Cursor | undefined,
    queryFn: ({ pageParam, signal }) =>
      ask<AskedPage>(
        base,
        { ...runOf(list, given), path, ...(pageParam ? { after: pageParam, limit: 100 } : { limit: 6 }) },
        signal,
      ),
    retry,
    getNextPageParam: (last) => last.next,
  })
}

/** What is missing in a field of a list's records. */
export function useMissing(base: string, list: List, given: Given, field: string) {
  return useQuery({
    enabled: field !== '',
    queryKey: ['list-missing', list.table, list.where, list.asks, given, field],
    queryFn: ({ signal }) =>
      ask<{ readonly gaps: readonly Gap[]; readonly more: boolean }>(
        base,
        { ...runOf(list, given), missing: field },
        signal,
      ),
    retry,
  })
}

/** The lines of a list as they were when a record of it was opened, though records may have changed since. */
export function useTrailLines(
  base: string,
  { list, given, path }: { readonly list: List; readonly given: Given; readonly path?: Path | undefined },
) {
  return useInfiniteQuery({
    queryKey: path ? ['group-lines', groupedKeyOf(list), given, path] : ['list', keyOf(list), given],
    initialPageParam: undefined as Cursor | undefined,
    staleTime: Infinity,
    queryFn: ({ pageParam, signal }) =>
      ask<AskedPage>(
        base,
        { ...runOf(list, given), ...(path && { path }), ...(pageParam && { after: pageParam }) },
        signal,
      ),
    retry,
    getNextPageParam: (last) => last.next,
  })
}

/** How many records a list would have. */
export function useListCount(base: string, list: List, given: Readonly<Record<string, string>>, enabled: boolean) {
  return useQuery({
    enabled,
    queryKey: ['list-count', list.table, list.where, list.asks, list.first, list.groups === undefined, given],
    queryFn: async ({ signal }) =>
      (await ask<{ readonly count: number }>(base, { ...runOf(list, given), count: true }, signal)).count,
    retry,
  })
}
