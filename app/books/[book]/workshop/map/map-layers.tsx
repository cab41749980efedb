'use client'

import { ViewportPortal } from '@xyflow/react'
import { memo, useMemo } from 'react'
import type { Area } from '@/core/book'
import { type AnyLine, around, type Box, inflated, isStream, type MapLabel, type Route, type Stream } from '@/core/map'
import { AreaDrawing } from '@/ui/drawing/map/ground-drawing'
import { LabelDrawing, LineDrawing, roundedPath } from '@/ui/drawing/map/line-drawing'
import { isLit, type Lit, pale } from '@/ui/drawing/map/picture'
import { screenTheme } from '@/ui/drawing/map/theme'
import { quickWay } from './quick-way'
import type { DrawnSheet } from './use-map'
import type { Traced } from './use-trace'

interface Props {
  readonly sheet: DrawnSheet
  readonly areas: readonly Area[]
  /** Cards that are being moved, where they are now. */
  readonly moved: ReadonlyMap<string, Box>
  readonly traced: Traced
  /** The tables that are looked at; all where nothing is chosen. */
  readonly near: ReadonlySet<string> | undefined
  readonly chosen: ReadonlySet<string>
  /** Seen from so far off that words can't be read. */
  readonly far: boolean
}

const layer = { position: 'absolute', overflow: 'visible', pointerEvents: 'none' } as const

/** Everything on the map but the cards: grounds behind them, lines between them. */
export function MapLayers({ sheet, areas, moved, traced, near, chosen, far }: Props) {
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
        <Lines
          sheet={sheet}
          near={near}
          lit={traced.lit}
          chosen={chosen}
          far={far}
          without={[...moved.keys()].join(' ')}
          onPress={traced.press}
          onPoint={traced.point}
        />
      </svg>
      {moved.size > 0 && <MovingLines sheet={sheet} moved={moved} near={near} room={roomOf(boxes)} />}
    </ViewportPortal>
  )
}

type LinesProps = Pick<Props, 'sheet' | 'near' | 'chosen' | 'far'> & {
  readonly lit: Lit | undefined
  readonly onPress: Traced['press']
  readonly onPoint: Traced['point']
  /** The cards that are being moved, as one text, so that their moving draws nothing else again. */
  readonly without: string
}

const nowhere: Box = { x: 0, y: 0, width: 0, height: 0 }
/** Some room round all cards. */
const roomOf = (boxes: ReadonlyMap<string, Box>) => inflated(around([...boxes.values()]) ?? nowhere, 400)

const fadedBy = (lit: Lit | undefined, line: AnyLine) => (lit && !isLit(lit, line) ? pale.line : undefined)
const noFields: ReadonlySet<string> = new Set()

const Lines = memo(function Lines({ sheet, near, lit, chosen, far, without, onPress, onPoint }: LinesProps) {
  const bright = lit ?? (near && { fields: noFields, tables: near })
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
            opacity={fadedBy(bright, line)}
            chosen={chosen.has(line.one) || chosen.has(line.many)}
            onPress={onPress}
            onPoint={onPoint}
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
  readonly line: AnyLine
  readonly route: Route
  readonly labels: readonly MapLabel[]
  readonly opacity: number | undefined
  readonly chosen: boolean
  readonly onPress: Traced['press']
  readonly onPoint: Traced['point']
}

/** Drawn again only when something about itself has changed: choosing a card touches a few of some hundred. */
const SaidLine = memo(function SaidLine({ line, route, labels, opacity, chosen, onPress, onPoint }: SaidLineProps) {
  return (
    <g opacity={opacity}>
      <LineDrawing line={line} route={route} theme={screenTheme} chosen={chosen} />
      {labels.map((label) => (
        <LabelDrawing key={label.back ? 'back' : 'there'} label={label} theme={screenTheme} />
      ))}
      {isStream(line) && <StreamHold stream={line} route={route} onPress={onPress} onPoint={onPoint} />}
    </g>
  )
})

interface HoldProps {
  readonly stream: Stream
  readonly route: Route
  readonly onPress: Traced['press']
  readonly onPoint: Traced['point']
}

/** What one presses or points at of a stream: wider than it is drawn. From the keyboard the list in the margin does it. */
function StreamHold({ stream, route, onPress, onPoint }: HoldProps) {
  const focus = { kind: 'stream', from: stream.one, to: stream.many } as const
  return (
    <path
      d={roundedPath(route.points)}
      fill="none"
      stroke="transparent"
      strokeWidth={18}
      pointerEvents="stroke"
      className="cursor-pointer"
      onClick={(event) => {
        event.stopPropagation()
        onPress(focus)
      }}
      onPointerEnter={() => onPoint(focus)}
      onPointerLeave={() => onPoint(undefined)}
    />
  )
}

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
            opacity={fadedBy(near && { fields: noFields, tables: near }, line)}
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
