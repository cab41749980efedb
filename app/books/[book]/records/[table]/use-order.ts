import { useState, useSyncExternalStore } from 'react'
import type { Table } from '@/core/book'
import { type Sort, usualSort } from '@/core/lists'

const never = () => () => undefined

/** How one person sorts one table, remembered in this browser; the newest first until it was sorted. */
export function useOrder(book: string, table: Table): [Sort | undefined, (sort: Sort | undefined) => void] {
  const place = `hearth-order ${book} ${table.id}`
  const stored = useSyncExternalStore(
    never,
    () => localStorage.getItem(place),
    () => null,
  )
  const [chosen, setChosen] = useState<{ readonly sort: Sort | undefined }>()
  const [field, way] = stored?.split(' ') ?? []
  const remembered = table.fields.some(({ id }) => id === field) ? { field: field!, down: way === 'down' } : undefined
  return [
    chosen ? (chosen.sort ?? usualSort(table)) : (remembered ?? usualSort(table)),
    (sort) => {
      setChosen({ sort })
      if (sort) localStorage.setItem(place, `${sort.field} ${sort.down ? 'down' : 'up'}`)
      else localStorage.removeItem(place)
    },
  ]
}
