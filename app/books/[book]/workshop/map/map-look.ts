'use client'

import { createContext, use } from 'react'

/** What is looked at on the map. Apart from where cards stand, so that moving one draws no other again. */
export interface MapLook {
  /** The tables that are looked at; all where nothing is chosen. */
  readonly near: ReadonlySet<string> | undefined
  /** Fields that are pointed out. */
  readonly lit: ReadonlySet<string> | undefined
  readonly pinned: ReadonlySet<string>
  /** Seen from so far off that only names can be read. */
  readonly far: boolean
  /** The table from which a link is being drawn. */
  readonly tying: string | undefined
  readonly onRow: (field: string) => void
  /** Where what is pointed at is shown at once; undefined elsewhere. */
  readonly onPoint: ((field: string | undefined) => void) | undefined
}

export const MapLookContext = createContext<MapLook | undefined>(undefined)

export function useMapLook(): MapLook {
  const look = use(MapLookContext)
  if (!look) throw new Error('Expected to be on the map.')
  return look
}
