'use client'

import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query'
import type { Sort } from '@/core/lists'
import type { Cursor, ListRow } from '@/core/records'
import { type Problem, wordProblem } from '@/core/words'

export interface RowsPage {
  readonly rows: readonly ListRow[]
  readonly more: boolean
  readonly count?: number
}

export interface RowsWish {
  readonly table: string
  readonly find: string
  readonly sort?: Sort | undefined
  readonly fields?: readonly string[]
  readonly linked?: { readonly field: string; readonly ref: string } | undefined
  /** A condition as an expression writes it. */
  readonly where?: string | undefined
  /** Only what comes after this place. */
  readonly from?: Cursor | undefined
  /** How many at a time; as many as the server gives where left out. */
  readonly limit?: number
}

/** The server's own words for why there are no rows. */
export class Refused extends Error {}

async function refusalIn(answer: Response): Promise<Error> {
  const body = (await answer.json().catch(() => undefined)) as { problem?: Problem } | undefined
  return body?.problem ? new Refused(wordProblem(body.problem)) : new Error('The rows could not be read.')
}

/** The address part that says which rows. */
export function rowsQuery({ find, sort, fields, linked, where }: RowsWish): URLSearchParams {
  const query = new URLSearchParams()
  if (find.trim()) query.set('find', find.trim())
  if (sort) query.set('sort', sort.field)
  if (sort?.down) query.set('down', '1')
  if (fields) query.set('fields', fields.join(','))
  if (where) query.set('where', where)
  if (linked) {
    query.set('link', linked.field)
    query.set('ref', linked.ref)
  }
  return query
}

/** Pages of rows, fetched by key as they are needed. */
export function useRows(base: string, wish: RowsWish, enabled = true) {
  return useInfiniteQuery({
    enabled,
    queryKey: [
      'rows',
      wish.table,
      wish.find.trim(),
      wish.sort ?? null,
      wish.fields ?? null,
      wish.linked ?? null,
      wish.where ?? null,
      wish.from ?? null,
      wish.limit ?? null,
    ],
    // What is seen stays until the next is there, so that nothing jumps and the focus isn't lost.
    placeholderData: keepPreviousData,
    initialPageParam: wish.from ?? null,
    queryFn: async ({ pageParam, signal }): Promise<RowsPage> => {
      const query = rowsQuery(wish)
      if (wish.limit) query.set('limit', String(wish.limit))
      if (pageParam) query.set('after', JSON.stringify(pageParam))
      else query.set('count', '1')
      const answer = await fetch(`${base}/${wish.table}/rows?${query}`, { signal })
      if (!answer.ok) throw await refusalIn(answer)
      return (await answer.json()) as RowsPage
    },
    // What was refused would only be refused again, and heavier things must not be asked over and over.
    retry: (failures, cause) => !(cause instanceof Refused) && failures < 2,
    getNextPageParam: (last) => (last.more ? (last.rows.at(-1)?.cursor ?? null) : null),
  })
}
