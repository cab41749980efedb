'use client'

import { usePathname, useSearchParams } from 'next/navigation'
import { createContext, use, useEffect, useSyncExternalStore } from 'react'
import type { List } from '@/core/book'
import type { Path } from './use-list-lines'

/** The list that a record was opened from: its neighbours are those it has there. */
export interface Trail {
  readonly list: List
  readonly given: Readonly<Record<string, string>>
  /** The group that it stands in, where the list has groups. */
  readonly path?: Path
  /** Where the list itself is. */
  readonly back: string
}

export const TrailContext = createContext<Trail | undefined>(undefined)

// Of this window alone: another may be in another list.
const nameOf = (base: string) => `hearth-trail ${base}`
const never = () => () => undefined

function readTrail(text: string | null): Trail | undefined {
  try {
    return (JSON.parse(text ?? 'null') as Trail | null) ?? undefined
  } catch {
    return undefined
  }
}

/** Keeps a way for this window; without room for it, nothing is kept, and records have their usual neighbours. */
export function keepTrail(base: string, trail: Trail): boolean {
  try {
    sessionStorage.setItem(nameOf(base), JSON.stringify(trail))
    return true
  } catch {
    return false
  }
}

/** Keeps the way by which one goes to a record, and adds to the record's address that there is one. */
export function useTrailTo(base: string): { readonly more: string; readonly keep: () => void } {
  const trail = use(TrailContext)
  return {
    more: trail ? '?by=list' : '',
    keep() {
      // Whoever comes back finds the list as it was, kept or not.
      if (trail && keepTrail(base, trail)) window.history.replaceState(null, '', trail.back)
    },
  }
}

/** The list by which a record was come to, where it was one of its table. */
export function useTrail(base: string, tableId: string): Trail | undefined {
  const query = useSearchParams()
  const text = useSyncExternalStore(
    never,
    () => sessionStorage.getItem(nameOf(base)),
    () => null,
  )
  const trail = query.get('by') === 'list' ? readTrail(text) : undefined
  return trail?.list.table === tableId ? trail : undefined
}

/** Where a list is gone back to, and that it is: it is put as it was when a record of it was opened. */
export function useWayBack(): string {
  const path = usePathname()
  const query = new URLSearchParams(useSearchParams().toString())
  query.set('back', '1')
  return `${path}?${query.toString()}`
}

/** The list as it was when a record of it was opened, for whoever comes back to it. */
export function useComingBack(base: string, start: List, put: (trail: Trail) => void): void {
  const query = useSearchParams()
  useEffect(() => {
    if (query.get('back') !== '1') return
    const trail = readTrail(sessionStorage.getItem(nameOf(base)))
    if (trail && (trail.list.id === start.id || query.has('of')) && trail.list.table === start.table) put(trail)
    // Once, when it is come back to.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])
}
