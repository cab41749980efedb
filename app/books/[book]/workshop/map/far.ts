'use client'

import { type ReactFlowState, useStore } from '@xyflow/react'
import { useState } from 'react'

/** At this size thirteen-unit lettering is four pixels high, which nobody reads. */
const farZoom = 0.32
const isFar = (state: ReactFlowState) => state.transform[2] < farZoom

/**
 * Whether the map is seen from so far off that only names can be read. Decided when it rests: drawing a hundred
 * cards anew takes longer than a frame. A large map is first drawn as seen from afar.
 */
export function useIsFar(moving: boolean, large: boolean): boolean {
  const now = useStore(isFar)
  const [far, setFar] = useState(large || now)
  if (!moving && far !== now) setFar(now)
  return far
}
