'use client'

import { useSearchParams } from 'next/navigation'
import { useSyncExternalStore } from 'react'
import { keptFor, type WrittenFor } from './hand-out-of'

const never = () => () => undefined

/** Which records the address, or this window, has documents written for. */
export function useWrittenFor(base: string, table: string): WrittenFor | undefined {
  const query = useSearchParams()
  const ref = query.get('ref')
  const isHere = useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
  if (ref !== null) return { kind: 'record', ref, label: query.get('label') ?? ref }
  const kept = isHere ? keptFor(base) : undefined
  return kept?.table === table ? kept.of : undefined
}
