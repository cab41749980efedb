'use client'

import { ViewportPortal } from '@xyflow/react'
import { memo, useMemo } from 'react'
import type { Area } from '@/core/book'
import { around, type Bow, type Box, inflated, type MapLabel, type MapLine, type Route } from '@/core/map'
import { BowDrawing } from '@/ui/drawing/map/bow-drawing'
import { AreaDrawing } from '@/ui/drawing/map/ground-drawing'
import { LabelDrawing, LineDrawing, roundedPath } from '@/ui/drawing/map/line-drawing'
import { screenTheme } from '@/ui/drawing/map/theme'
import { quickWay } from './quick-way'
import type { DrawnSheet } from './use-map'

interface Props {
  readonly sheet: DrawnSheet
  readonly areas: readonly Area[]
  /** Cards that are being moved, where they are now. */
  readonly moved: ReadonlyMap<string, Box>
  readonly showsLinks: boolean
  readonly bows: readonly Bow[]
  /** The tables that are looked at; all where nothing is chosen. */
  readonly near: ReadonlySet<string> | undefined
  readonly chosen: ReadonlySet<string>
  /** Seen from so far off that words can't be read. */
  readonly far: boolean
}

const layer = { position: 'absolute', overflow: 'visible', pointerEvents: 'none' } as const

/** Everything on the map but the cards: grounds behind them, lines between them, bows over them. */
export function MapLayers({ sheet, areas, moved, showsLinks, bows, near, chosen, far }: Props) {
  const ground = roomOf(sheet.drawn.boxes)
  const boxes = moved.size === 0 ? sheet.drawn.boxes : new Map([...sheet.drawn.boxes, ...moved])
  return (
    <ViewportPortal>
      <svg width={1} height={1} aria-hidden style={{ ...layer, zIndex: -1 }}>
        {/* A ground for everything: what lies on one sheet a browser draws as one, not card by card. */}
        <rect {...ground} fill={screenTheme.ground} />
        {areas.map((area) => (
          <AreaDrawing key={area.id} area={area} boxes={boxes} theme={screenTheme} />
        ))}
      </svg>
      <svg width={1} height={1} aria-hidden style={layer}>
        {showsLinks && (
          <Lines sheet={sheet} near={near} chosen={chosen} far={far} without={[...moved.keys()].join(' ')} />
        )}
        {bows.map((bow) => (
          <BowDrawing key={bow.dependency.id} bow={bow} theme={screenTheme} />
        ))}
      </svg>
      {showsLinks && moved.size > 0 && <MovingLines sheet={sheet} moved={moved} near={near} room={roomOf(boxes)} />}
    </ViewportPortal>
  )
}

type LinesProps = Pick<Props, 'sheet' | 'near' | 'chosen' | 'far'> & {
  /** The cards that are being moved, as one text, so that their moving draws nothing else again. */
  readonly without: string
}

const nowhere: Box = { x: 0, y: 0, width: 0, height: 0 }
/** Some room round all cards. */
const roomOf = (boxes: ReadonlyMap<string, Box>) => inflated(around([...boxes.values()]) ?? nowhere, 400)

const fadedBy = (near: ReadonlySet<string> | undefined, one: string, many: string) =>
  near !== undefined && !(near.has(one) && near.has(many)) ? 0.15 : undefined

const Lines = memo(function Lines({ sheet, near, chosen, far, without }: LinesProps) {
  const moving = new Set(without.split(' '))
  const said = useMemo(() => saidLines(sheet), [sheet])
  return (
    <>
      {said.map(({ line, route, labels }) => {
        if (!route || moving.has(line.one) || moving.has(line.many)) return null
        return (
          <SaidLine
            key={line.id}
            line={line}
            route={route}
            labels={far ? noLabels : labels}
            opacity={fadedBy(near, line.one, line.many)}
            chosen={chosen.has(line.one) || chosen.has(line.many)}
          />
        )
      })}
    </>
  )
})

const noLabels: readonly MapLabel[] = []

/** The lines of a drawing with their ways and words, always the same lists for the same drawing. */
function saidLines({ lines, drawn }: DrawnSheet) {
  const labels = new Map<string, MapLabel[]>()
  for (const label of drawn.labels) labels.set(label.line, [...(labels.get(label.line) ?? []), label])
  return lines.map((line) => ({ line, route: drawn.routes.get(line.id), labels: labels.get(line.id) ?? noLabels }))
}

interface SaidLineProps {
  readonly line: MapLine
  readonly route: Route
  readonly labels: readonly MapLabel[]
  readonly opacity: number | undefined
  readonly chosen: boolean
}

/** Drawn again only when something about itself has changed: choosing a card touches a few of some hundred. */
const SaidLine = memo(function SaidLine({ line, route, labels, opacity, chosen }: SaidLineProps) {
  return (
    <g opacity={opacity}>
      <LineDrawing line={line} route={route} theme={screenTheme} chosen={chosen} />
      {labels.map((label) => (
        <LabelDrawing key={label.back ? 'back' : 'there'} label={label} theme={screenTheme} />
      ))}
    </g>
  )
})

/** Plain ways for the lines of cards that are under way. The sheet keeps its size, or it would be laid out each time. */
function MovingLines({ sheet, moved, near, room }: Pick<Props, 'sheet' | 'moved' | 'near'> & { readonly room: Box }) {
  const ways = sheet.lines
    .filter(({ one, many }) => moved.has(one) || moved.has(many))
    .map((line) => {
      const [a, b] = [line.one, line.many].map((id) => moved.get(id) ?? sheet.drawn.boxes.get(id))
      return (
        a &&
        b && (
          <path
            key={line.id}
            d={roundedPath(quickWay(a, b))}
            fill="none"
            stroke={screenTheme.soft}
            strokeWidth={1.5}
            opacity={fadedBy(near, line.one, line.many)}
          />
        )
      )
    })
  return (
    <svg
      width={room.width}
      height={room.height}
      viewBox={`${room.x} ${room.y} ${room.width} ${room.height}`}
      aria-hidden
      style={{ ...layer, left: room.x, top: room.y, willChange: 'transform' }}
    >
      {ways}
    </svg>
  )
}
