'use client'

import { Handle, type NodeProps, Position, useConnection } from '@xyflow/react'
import { memo } from 'react'
import type { MapCard } from '@/core/map'
import { CardDrawing } from '@/ui/drawing/map/card-drawing'
import { screenTheme } from '@/ui/drawing/map/theme'
import { useIsFar } from './far'
import { useMapLook } from './map-look'

/** A card to be moved, chosen and tied. From the dot at its right a line is drawn to another card. */
export const MapCardNode = memo(function MapCardNode({ id, data, selected, dragging }: NodeProps) {
  const { card } = data as { card: MapCard }
  const { near, lit, pinned, onRow } = useMapLook()
  const far = useIsFar()
  const tying = useConnection((connection) => connection.inProgress)
  return (
    <div
      className="group relative"
      style={{
        width: card.width,
        height: card.height,
        opacity: near && !near.has(id) ? 0.22 : 1,
        willChange: dragging ? 'transform' : undefined,
      }}
    >
      <svg width={card.width} height={card.height} className="block overflow-visible" aria-hidden>
        <CardDrawing card={card} theme={screenTheme} chosen={selected} lit={lit} onRow={onRow} far={far} />
        {pinned.has(id) && (
          <g transform={`translate(${card.width - 14} ${card.tab.height - 4})`}>
            <circle r={5} fill={screenTheme.key} stroke={screenTheme.card} strokeWidth={1.5} />
            <title>Pinned: tidying leaves it here</title>
          </g>
        )}
      </svg>
      <Handle
        type="target"
        position={Position.Left}
        className="!inset-0 !h-full !w-full !transform-none !rounded-none !border-0 !opacity-0"
        style={{ pointerEvents: tying ? 'all' : 'none' }}
      />
      <Handle
        type="source"
        position={Position.Right}
        title="Draw a tie to another table"
        className="!size-3.5 !border-2 !border-paper !bg-spruce opacity-0 transition-opacity group-hover:opacity-100 focus-visible:opacity-100"
      />
    </div>
  )
})
