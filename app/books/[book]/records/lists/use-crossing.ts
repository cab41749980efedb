'use client'

import { useMemo } from 'react'
import type { List } from '@/core/book'
import type { Crossing } from '@/core/lists'
import { useGroups } from './use-list-lines'

/** Groups that were asked for, and whether there are more than are told. */
export interface AskedCrossing extends Crossing {
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
  const data = useMemo((): AskedCrossing | undefined => {
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
