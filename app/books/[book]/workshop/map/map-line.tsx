'use client'

import { EdgeLabelRenderer, type EdgeProps, getSmoothStepPath, Position } from '@xyflow/react'
import type { MapLine, Route, Side } from '@/core/map'
import { FootMark } from '@/ui/drawing/crows-foot'

const positions: Record<Side, Position> = {
  left: Position.Left,
  right: Position.Right,
  top: Position.Top,
  bottom: Position.Bottom,
}
const turns: Record<Side, number> = { right: 0, bottom: 90, left: 180, top: 270 }

/** A link as a line with right angles, a crow's foot at each end and its reading in the middle. */
export function MapLineEdge({ data }: EdgeProps) {
  const { line, route } = data as { line: MapLine; route: Route | undefined }
  if (!route) return null
  const { from, to, middle } = route
  const sideways = from.side === 'left' || from.side === 'right'
  // On a short, level line the words stand in the middle of the gap, clear of both cards.
  const level = sideways && Math.abs(from.y - to.y) < 24
  const itself = line.one === line.many
  const [path, labelX, labelY] = getSmoothStepPath({
    sourceX: from.x,
    sourceY: from.y,
    targetX: to.x,
    targetY: to.y,
    sourcePosition: positions[from.side],
    targetPosition: positions[to.side],
    borderRadius: 4,
    offset: 30,
    ...(!itself && (sideways ? { centerX: middle } : { centerY: middle })),
  })
  return (
    <g className="text-ink">
      <path d={path} fill="none" stroke="currentColor" strokeWidth={1.5} />
      <g transform={`translate(${from.x} ${from.y}) rotate(${turns[from.side]})`}>
        <FootMark end={line.atOne} />
      </g>
      <g transform={`translate(${to.x} ${to.y}) rotate(${turns[to.side]})`}>
        <FootMark end={line.atMany} />
      </g>
      <EdgeLabelRenderer>
        {line.label && (
          <span
            className="pointer-events-none absolute rounded-sm bg-ash-1 px-1 text-xs text-ash-6"
            style={{
              transform: `translate(-50%, -50%) translate(${level ? (from.x + to.x) / 2 : labelX}px, ${labelY}px)`,
            }}
          >
            {line.label}
          </span>
        )}
      </EdgeLabelRenderer>
    </g>
  )
}
