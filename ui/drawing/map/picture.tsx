import type { Area, Remark } from '@/core/book'
import {
  around,
  type Bow,
  type Box,
  type DrawnMap,
  inflated,
  type MapCard,
  type MapLine,
  mapTypefaces,
} from '@/core/map'
import { BowDrawing } from './bow-drawing'
import { CardDrawing } from './card-drawing'
import { AreaDrawing, areaBox, RemarkDrawing, remarkBox } from './ground-drawing'
import { LabelDrawing, LineDrawing } from './line-drawing'
import type { MapTheme } from './theme'
import { TitleBlock, titleBox, type TitleWords } from './title-block'

/** Everything that is on a map, as the screen shows it. */
export interface Pictured {
  readonly cards: readonly MapCard[]
  readonly lines: readonly MapLine[]
  readonly drawn: DrawnMap
  readonly areas: readonly Area[]
  readonly remarks: readonly Remark[]
  readonly bows: readonly Bow[]
  readonly showsLinks: boolean
  readonly lit: ReadonlySet<string> | undefined
}

/** The box around all of it, with its title block if it has one, and a little room. */
export function pictureBox(pictured: Pictured, words: TitleWords | undefined): Box {
  const { drawn, areas, remarks, bows } = pictured
  const drawing = around([
    ...drawn.boxes.values(),
    ...drawn.labels.map(({ box }) => box),
    ...[...drawn.routes.values()].map(({ points }) =>
      around(points.map(({ x, y }) => ({ x, y, width: 0, height: 0 })))!,
    ),
    ...areas.flatMap((area) => areaBox(area, drawn.boxes) ?? []),
    ...remarks.map((remark) => remarkBox(placed(remark, drawn.factor))),
    ...bows.flatMap(({ label }) => label?.box ?? []),
  ])!
  const wide = inflated(drawing, 24)
  return words ? inflated(around([drawing, titleBox(drawing, words)])!, 24) : wide
}

const placed = (remark: Remark, factor: number): Remark => ({ ...remark, x: remark.x * factor, y: remark.y * factor })

interface Props {
  readonly pictured: Pictured
  readonly theme: MapTheme
  readonly words?: TitleWords | undefined
  /** The part that is shown; all of it where left out. */
  readonly view?: Box
  /** What stands before the drawing: typefaces. */
  readonly style?: string
  /** How large it is on a page, whose typeface it then has. */
  readonly size?: { readonly width: string; readonly height: string }
  readonly children?: React.ReactNode
}

/** A map as one SVG with real text, made of the same drawings as the screen. */
export function MapPicture({ pictured, theme, words, view, style, size, children }: Props) {
  const { cards, lines, drawn, areas, remarks, bows, showsLinks, lit } = pictured
  const whole = pictureBox(pictured, words)
  const shown = view ?? whole
  const inner = pictureBox(pictured, undefined)
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`${shown.x} ${shown.y} ${shown.width} ${shown.height}`}
      width={size?.width ?? shown.width}
      height={size?.height ?? shown.height}
      fontFamily={size ? 'inherit' : `${mapTypefaces.map((name) => `'${name}'`).join(', ')}, sans-serif`}
      role="img"
      aria-label={words?.title ?? 'Map'}
    >
      {style && <style>{style}</style>}
      <rect x={shown.x} y={shown.y} width={shown.width} height={shown.height} fill={theme.ground} />
      {areas.map((area) => (
        <AreaDrawing key={area.id} area={area} boxes={drawn.boxes} theme={theme} />
      ))}
      {showsLinks &&
        lines.map((line) => {
          const route = drawn.routes.get(line.id)
          return route && <LineDrawing key={line.id} line={line} route={route} theme={theme} />
        })}
      {showsLinks &&
        drawn.labels.map((label) => <LabelDrawing key={`${label.line} ${label.back}`} label={label} theme={theme} />)}
      {cards.map((card) => {
        const box = drawn.boxes.get(card.id)
        return (
          box && (
            <g key={card.id} transform={`translate(${box.x} ${box.y})`}>
              <CardDrawing card={card} theme={theme} lit={lit} />
            </g>
          )
        )
      })}
      {remarks.map((remark) => (
        <RemarkDrawing key={remark.id} remark={placed(remark, drawn.factor)} theme={theme} />
      ))}
      {bows.map((bow) => (
        <BowDrawing key={bow.dependency.id} bow={bow} theme={theme} />
      ))}
      {words && <TitleBlock whole={{ ...inner, ...inflatedBack(inner) }} words={words} theme={theme} />}
      {children}
    </svg>
  )
}

/** The drawing without the room about it. */
const inflatedBack = (box: Box) => inflated(box, -24)
