'use client'

import { Handle, type NodeProps, Position, useUpdateNodeInternals } from '@xyflow/react'
import { memo, useEffect, useState } from 'react'
import type { MapCard } from '@/core/map'
import { CardDrawing } from '@/ui/drawing/map/card-drawing'
import { pale } from '@/ui/drawing/map/picture'
import { screenTheme } from '@/ui/drawing/map/theme'
import { useMapLook } from './map-look'

/** A card to be moved, chosen and linked. From the dot at its right a line is drawn to another card. */
export const MapCardNode = memo(function MapCardNode({ id, data, selected, dragging }: NodeProps) {
  const { card } = data as { card: MapCard }
  const { near, lit, pinned, far, tying, onRow, onPoint } = useMapLook()
  const [hovered, setHovered] = useState(false)
  const isEnd = tying !== undefined && tying !== id && hovered
  return (
    <div
      className="relative"
      onPointerEnter={() => setHovered(true)}
      onPointerLeave={() => setHovered(false)}
      style={{
        width: card.width,
        height: card.height,
        opacity: near && !near.has(id) ? pale.card : 1,
        willChange: dragging ? 'transform' : undefined,
      }}
    >
      <svg width={card.width} height={card.height} className="block overflow-visible" aria-hidden>
        <CardDrawing
          card={card}
          theme={screenTheme}
          chosen={selected || isEnd}
          lit={lit}
          onRow={onRow}
          onPoint={onPoint}
          far={far}
        />
        {pinned.has(id) && (
          <g transform={`translate(${card.width - 14} ${card.tab.height - 4})`}>
            <circle r={5} fill={screenTheme.key} stroke={screenTheme.card} strokeWidth={1.5} />
            <title>Pinned: tidying leaves it here</title>
          </g>
        )}
      </svg>
      {(tying ? tying === id : hovered || selected) && <TieDot id={id} />}
    </div>
  )
})

/** Only the cards that want one have it: where a hundred do, the map moves half as fast. */
function TieDot({ id }: { readonly id: string }) {
  const measure = useUpdateNodeInternals()
  useEffect(() => measure(id), [id, measure])
  return (
    <Handle
      type="source"
      position={Position.Right}
      title="Draw a link to another table"
      className="!size-3.5 !rounded-full !border-2 !border-paper !bg-spruce"
    />
  )
}
