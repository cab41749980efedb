'use client'

import { type Node, type NodeChange, useNodesState } from '@xyflow/react'
import { useCallback, useEffect, useMemo } from 'react'
import type { Remark } from '@/core/book'
import type { Box } from '@/core/map'
import { remarkBox } from '@/ui/drawing/map/ground-drawing'
import type { DrawnSheet } from './use-map'

export interface Cards {
  readonly nodes: Node[]
  readonly onChanges: (changes: NodeChange[]) => void
  /** The tables whose cards are chosen. */
  readonly chosen: ReadonlySet<string>
  readonly choose: (table: string | undefined) => void
  /** Where some cards are at this moment. */
  readonly boxesNow: (ids: ReadonlySet<string>) => Map<string, Box>
}

/** Cards and notes as what can be moved and chosen, as the newest drawing has them. */
export function useCards(sheet: DrawnSheet | undefined, remarks: readonly Remark[]): Cards {
  const [nodes, setNodes, onChanges] = useNodesState<Node>([])
  useEffect(() => {
    if (sheet)
      setNodes((before) => nodesOf(sheet, remarks, new Set(before.filter((one) => one.selected).map((one) => one.id))))
  }, [sheet, remarks, setNodes])

  // As a text, so that moving a card doesn't look like choosing another.
  const selection = nodes
    .filter((node) => node.selected && node.type === 'card')
    .map((node) => node.id)
    .join(' ')
  const chosen = useMemo(() => new Set(selection.split(' ').filter(Boolean)), [selection])
  const choose = useCallback(
    (table: string | undefined) =>
      setNodes((before) =>
        before.map((node) =>
          Boolean(node.selected) === (node.id === table) ? node : { ...node, selected: node.id === table },
        ),
      ),
    [setNodes],
  )
  const boxesNow = useCallback(
    (ids: ReadonlySet<string>) =>
      new Map(
        nodes.flatMap((node): [string, Box][] =>
          ids.has(node.id) ? [[node.id, { ...node.position, width: node.width ?? 0, height: node.height ?? 0 }]] : [],
        ),
      ),
    [nodes],
  )
  return { nodes, onChanges, chosen, choose, boxesNow }
}

function nodesOf({ cards, drawn }: DrawnSheet, remarks: readonly Remark[], selected: ReadonlySet<string>): Node[] {
  return [
    ...cards.map((card): Node => {
      const { x, y } = drawn.boxes.get(card.id)!
      return {
        id: card.id,
        type: 'card',
        position: { x, y },
        data: { card },
        width: card.width,
        height: card.height,
        selected: selected.has(card.id),
        ariaLabel: `Table ${card.title}`,
      }
    }),
    ...remarks.map((remark): Node => {
      const { width, height } = remarkBox(remark)
      return {
        id: remark.id,
        type: 'remark',
        position: { x: remark.x * drawn.factor, y: remark.y * drawn.factor },
        data: { remark },
        width,
        height,
        selected: selected.has(remark.id),
        ariaLabel: `Note: ${remark.text}`,
      }
    }),
  ]
}
