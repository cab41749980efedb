'use client'

import { EdgeLabelRenderer, type EdgeProps, getSmoothStepPath, Position, useInternalNode } from '@xyflow/react'
import { facingSides, type MapLine, type Side } from '@/core/map'
import { FootMark } from '@/ui/drawing/crows-foot'

const positions: Record<Side, Position> = {
  left: Position.Left,
  right: Position.Right,
  top: Position.Top,
  bottom: Position.Bottom,
}
const turns: Record<Side, number> = { right: 0, bottom: 90, left: 180, top: 270 }

/** A link as a line with right angles, a crow's foot at each end and its reading in the middle. */
export function MapLineEdge({ source, target, data }: EdgeProps) {
  const { line } = data as { line: MapLine }
  const [one, many] = [useInternalNode(source), useInternalNode(target)]
  if (!one || !many) return null
  const boxes = [one, many].map((node) => ({
    x: node.internals.positionAbsolute.x,
    y: node.internals.positionAbsolute.y,
    width: node.measured.width ?? node.width ?? 0,
    height: node.measured.height ?? node.height ?? 0,
  })) as [Box, Box]
  const itself = source === target
  const sides = itself ? ({ from: 'right', to: 'bottom' } as const) : facingSides(...boxes)
  const [from, to] = [
    pointAt(boxes[0], sides.from, itself ? 0.8 : 0.5),
    pointAt(boxes[1], sides.to, itself ? 0.8 : 0.5),
  ]
  const [path, labelX, labelY] = getSmoothStepPath({
    sourceX: from.x,
    sourceY: from.y,
    targetX: to.x,
    targetY: to.y,
    sourcePosition: positions[sides.from],
    targetPosition: positions[sides.to],
    borderRadius: 4,
    offset: 30,
  })
  return (
    <g className="text-ink">
      <path d={path} fill="none" stroke="currentColor" strokeWidth={1.5} />
      <g transform={`translate(${from.x} ${from.y}) rotate(${turns[sides.from]})`}>
        <FootMark end={line.atOne} />
      </g>
      <g transform={`translate(${to.x} ${to.y}) rotate(${turns[sides.to]})`}>
        <FootMark end={line.atMany} />
      </g>
      <EdgeLabelRenderer>
        <span
          className="pointer-events-none absolute rounded-sm bg-ash-1 px-1 text-xs text-ash-6"
          style={{ transform: `translate(-50%, -50%) translate(${labelX}px, ${labelY}px)` }}
        >
          {line.label}
        </span>
      </EdgeLabelRenderer>
    </g>
  )
}

interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

function pointAt({ x, y, width, height }: Box, side: Side, along: number): { x: number; y: number } {
  if (side === 'left') return { x, y: y + height * along }
  if (side === 'right') return { x: x + width, y: y + height * along }
  return { x: x + width * along, y: side === 'top' ? y : y + height }
}
