'use client'

import { ViewportPortal } from '@xyflow/react'
import { memo } from 'react'
import type { Area, Remark } from '@/core/book'
import type { Bow, Box } from '@/core/map'
import { BowDrawing } from '@/ui/drawing/map/bow-drawing'
import { AreaDrawing } from '@/ui/drawing/map/ground-drawing'
import { LabelDrawing, LineDrawing, roundedPath } from '@/ui/drawing/map/line-drawing'
import { screenTheme } from '@/ui/drawing/map/theme'
import { quickWay } from './quick-way'
import type { DrawnSheet } from './use-map'

interface Props {
  readonly sheet: DrawnSheet
  readonly areas: readonly Area[]
  readonly remarks: readonly Remark[]
  /** Cards that are being moved, where they are now. */
  readonly moved: ReadonlyMap<string, Box>
  readonly showsLinks: boolean
  readonly bows: readonly Bow[]
  /** The tables that are looked at; all where nothing is chosen. */
  readonly near: ReadonlySet<string> | undefined
  readonly chosen: ReadonlySet<string>
}

const layer = { position: 'absolute', overflow: 'visible', pointerEvents: 'none' } as const

/** Everything on the map but the cards: grounds behind them, lines between them, bows over them. */
export function MapLayers({ sheet, areas, moved, showsLinks, bows, near, chosen }: Props) {
  const boxes = moved.size === 0 ? sheet.drawn.boxes : new Map([...sheet.drawn.boxes, ...moved])
  return (
    <ViewportPortal>
      <svg width={1} height={1} aria-hidden style={{ ...layer, zIndex: -1 }}>
        {areas.map((area) => (
          <AreaDrawing key={area.id} area={area} boxes={boxes} theme={screenTheme} />
        ))}
      </svg>
      <svg width={1} height={1} aria-hidden style={layer}>
        {showsLinks && <Lines sheet={sheet} moved={moved} near={near} chosen={chosen} />}
        {bows.map((bow) => (
          <BowDrawing key={bow.dependency.id} bow={bow} theme={screenTheme} />
        ))}
      </svg>
    </ViewportPortal>
  )
}

type LinesProps = Pick<Props, 'sheet' | 'moved' | 'near' | 'chosen'>

const Lines = memo(function Lines({ sheet, moved, near, chosen }: LinesProps) {
  const { lines, drawn } = sheet
  const isFaded = (one: string, many: string) => near !== undefined && !(near.has(one) && near.has(many))
  const labels = new Map<string, typeof drawn.labels>()
  for (const label of drawn.labels) labels.set(label.line, [...(labels.get(label.line) ?? []), label])
  return (
    <>
      {lines.map((line) => {
        const opacity = isFaded(line.one, line.many) ? 0.15 : undefined
        if (moved.has(line.one) || moved.has(line.many)) {
          const [a, b] = [line.one, line.many].map((id) => moved.get(id) ?? drawn.boxes.get(id))
          return (
            a &&
            b && (
              <path
                key={line.id}
                d={roundedPath(quickWay(a, b))}
                fill="none"
                stroke={screenTheme.soft}
                strokeWidth={1.5}
                opacity={opacity}
              />
            )
          )
        }
        const route = drawn.routes.get(line.id)
        return (
          route && (
            <g key={line.id} opacity={opacity}>
              <LineDrawing
                line={line}
                route={route}
                theme={screenTheme}
                chosen={chosen.has(line.one) || chosen.has(line.many)}
              />
              {labels.get(line.id)?.map((label) => (
                <LabelDrawing key={label.back ? 'back' : 'there'} label={label} theme={screenTheme} />
              ))}
            </g>
          )
        )
      })}
    </>
  )
})
