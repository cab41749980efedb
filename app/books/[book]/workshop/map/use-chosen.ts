'use client'

import { type Node, type ReactFlowState, useReactFlow, useStore, useStoreApi } from '@xyflow/react'
import { useCallback, useMemo } from 'react'
import type { Box } from '@/core/map'

// As a text, so that moving a card doesn't look like choosing another.
const selection = ({ nodes }: ReactFlowState) =>
  nodes
    .filter((node) => node.selected && node.type === 'card')
    .map((node) => node.id)
    .join(' ')

export interface Chosen {
  /** The tables whose cards are chosen. */
  readonly chosen: ReadonlySet<string>
  readonly choose: (table: string | undefined) => void
  /** Where some cards are at this moment. */
  readonly boxesOf: (ids: ReadonlySet<string>) => Map<string, Box>
}

/** What is chosen on the map. */
export function useChosen(): Chosen {
  const ids = useStore(selection)
  const { getNodes } = useReactFlow()
  const store = useStoreApi()
  const chosen = useMemo(() => new Set(ids.split(' ').filter(Boolean)), [ids])
  const choose = useCallback(
    (table: string | undefined) => {
      const { addSelectedNodes, unselectNodesAndEdges } = store.getState()
      if (table === undefined) unselectNodesAndEdges()
      else addSelectedNodes([table])
    },
    [store],
  )
  const boxesOf = useCallback(
    (some: ReadonlySet<string>) =>
      new Map(getNodes().flatMap((node): [string, Box][] => (some.has(node.id) ? [[node.id, boxOf(node)]] : []))),
    [getNodes],
  )
  return { chosen, choose, boxesOf }
}

export const boxOf = ({ position, width = 0, height = 0 }: Node): Box => ({ ...position, width, height })
