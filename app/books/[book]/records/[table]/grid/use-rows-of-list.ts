import { useInfiniteQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import type { ListRow } from '@/core/records'
import { listPage } from '../../lists/use-list-lines'
import type { Trail } from '../../lists/trail'
import type { Cursor } from '@/core/records'

/** The records of a list, in its order and with all their fields, page by page as they are needed. */
export function useRowsOfList(base: string, trail: Trail | undefined) {
  const query = useInfiniteQuery({
    enabled: trail !== undefined,
    queryKey: ['rows', 'of-list', trail?.list ?? null, trail?.given ?? null],
    initialPageParam: undefined as Cursor | undefined,
    queryFn: async ({ pageParam, signal }) => {
      if (!trail) throw new Error('Expected a list.')
      const { list, given } = trail
      const page = await listPage(base, list, given, pageParam, signal)
      // A record stands once, though a list may have a line for each of its rows.
      const refs = [...new Set(page.lines.map(({ ref }) => ref))]
      const rows = refs.length > 0 ? await readThose(base, list.table, refs, signal) : []
      return { rows, next: page.next }
    },
    getNextPageParam: (last) => last.next,
  })
  const found = useMemo(() => {
    const all = new Map<string, ListRow>()
    for (const page of query.data?.pages ?? []) for (const row of page.rows) all.set(row.ref, row)
    return [...all.values()]
  }, [query.data])
  return { query, found }
}

async function readThose(base: string, table: string, refs: readonly string[], signal: AbortSignal) {
  const answer = await fetch(`${base}/${table}/those`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ refs }),
    signal,
  })
  if (!answer.ok) throw new Error('The records of the list could not be read.')
  return ((await answer.json()) as { readonly rows: readonly ListRow[] }).rows
}
