'use client'

import { type Node, useReactFlow } from '@xyflow/react'
import { useEffect } from 'react'
import type { Remark } from '@/core/book'
import { remarkBox } from '@/ui/drawing/map/ground-drawing'
import type { DrawnSheet } from './use-map'

/** Puts cards and notes on the map as the newest drawing has them; what is chosen stays so. */
export function useCards(sheet: DrawnSheet | undefined, remarks: readonly Remark[]): void {
  const { setNodes } = useReactFlow()
  useEffect(() => {
    if (sheet)
      setNodes((before) => nodesOf(sheet, remarks, new Set(before.filter((one) => one.selected).map((one) => one.id))))
  }, [sheet, remarks, setNodes])
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
