'use client'

import { useMemo } from 'react'
import type { List } from '@/core/book'
import type { GroupLine } from '@/core/lists'
import { useGroups } from './use-list-lines'

/** The groups of a list by the first of what it is grouped by, by the second, by both, and all of it. */
export interface Crossing {
  readonly rows: readonly GroupLine[]
  readonly columns: readonly GroupLine[] | undefined
  readonly both: readonly GroupLine[] | undefined
  readonly all: GroupLine | undefined
  readonly more: boolean
}

/** Asks for two levels of groups and for both together; each by itself, so that sums are of what they say. */
export function useCrossing(base: string, list: List, given: Readonly<Record<string, string>>, levels: number) {
  const isCrossed = levels > 1
  const rows = useGroups(base, list, given, { by: [0] })
  const columns = useGroups(base, list, given, { by: [1], enabled: isCrossed })
  const both = useGroups(base, list, given, { by: [0, 1], enabled: isCrossed })
  const all = useGroups(base, list, given, { by: [] })
  const asked = isCrossed ? [rows, columns, both, all] : [rows, all]
  const data = useMemo((): Crossing | undefined => {
    if (!rows.data || (isCrossed && !(columns.data && both.data))) return undefined
    return {
      rows: rows.data.groups,
      columns: isCrossed ? columns.data?.groups : undefined,
      both: isCrossed ? both.data?.groups : undefined,
      all: all.data?.groups[0],
      more: rows.data.more || columns.data?.more === true || both.data?.more === true,
    }
  }, [rows.data, columns.data, both.data, all.data, isCrossed])
  return {
    data,
    error: asked.find(({ isError }) => isError)?.error,
    retry: () => asked.forEach((one) => void (one.isError && one.refetch())),
  }
}
