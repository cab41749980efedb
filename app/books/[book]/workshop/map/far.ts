'use client'

import { type ReactFlowState, useStore } from '@xyflow/react'

/** At this size thirteen-unit lettering is four pixels high, which nobody reads. */
const farZoom = 0.32
const isFar = (state: ReactFlowState) => state.transform[2] < farZoom

/** Whether the map is seen from so far off that only names can be read. Changes seldom, not with every zoom. */
export const useIsFar = () => useStore(isFar)
