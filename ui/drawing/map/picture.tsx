import type { Area, Remark } from '@/core/book'
import { type AnyLine, around, type Box, type DrawnMap, inflated, type MapCard } from '@/core/map'
import { typefaceNames } from '@/core/letters'
import { CardDrawing } from './card-drawing'
import { AreaDrawing, areaBox, RemarkDrawing, remarkBox } from './ground-drawing'
import { LabelDrawing, LineDrawing } from './line-drawing'
import type { MapTheme } from './theme'
import { TitleBlock, titleBox, type TitleWords } from './title-block'

/** What is looked at on a map: all else is drawn pale. */
export interface Lit {
  readonly fields: ReadonlySet<string>
  readonly tables: ReadonlySet<string>
  /** The ids of lines; where left out, those between the tables. */
  readonly lines?: ReadonlySet<string>
}

/** How much of what isn't looked at is still to be seen. */
export const pale = { card: 0.22, line: 0.15 }
export const isLit = (lit: Lit, line: AnyLine): boolean =>
  lit.lines ? lit.lines.has(line.id) : lit.tables.has(line.one) && lit.tables.has(line.many)

/** Everything that is on a map, as the screen shows it. */
export interface Pictured {
  readonly cards: readonly MapCard[]
  readonly lines: readonly AnyLine[]
  readonly drawn: DrawnMap
  readonly areas: readonly Area[]
  readonly remarks: readonly Remark[]
  /** The fields, tables and lines that are looked at; all where nothing is. */
  readonly lit: Lit | undefined
}

/** The box around all of it, with its title block if it has one, and a little room. */
export function pictureBox(pictured: Pictured, words: TitleWords | undefined): Box {
  const { drawn, areas, remarks } = pictured
  const drawing = around([
    ...drawn.boxes.values(),
    ...drawn.labels.map(({ box }) => box),
    ...[...drawn.routes.values()].map(({ points }) =>
      around(points.map(({ x, y }) => ({ x, y, width: 0, height: 0 })))!,
    ),
    ...areas.flatMap((area) => areaBox(area, drawn.boxes) ?? []),
    ...remarks.map((remark) => remarkBox(placed(remark, drawn.factor))),
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
  const { cards, lines, drawn, areas, remarks, lit } = pictured
  const fading = (line: AnyLine) => (lit && !isLit(lit, line) ? { opacity: pale.line } : {})
  const byId = new Map(lines.map((line) => [line.id, line]))
  const whole = pictureBox(pictured, words)
  const shown = view ?? whole
  const inner = pictureBox(pictured, undefined)
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`${shown.x} ${shown.y} ${shown.width} ${shown.height}`}
      width={size?.width ?? shown.width}
      height={size?.height ?? shown.height}
      fontFamily={size ? 'inherit' : `${typefaceNames.map((name) => `'${name}'`).join(', ')}, sans-serif`}
      role="img"
      aria-label={words?.title ?? 'Map'}
    >
      {style && <style>{style}</style>}
      <rect x={shown.x} y={shown.y} width={shown.width} height={shown.height} fill={theme.ground} />
      {areas.map((area) => (
        <AreaDrawing key={area.id} area={area} boxes={drawn.boxes} theme={theme} />
      ))}
      {lines.map((line) => {
        const route = drawn.routes.get(line.id)
        return (
          route && (
            <g key={line.id} {...fading(line)}>
              <LineDrawing line={line} route={route} theme={theme} />
            </g>
          )
        )
      })}
      {drawn.labels.map((label) => {
        const line = byId.get(label.line)
        return (
          line && (
            <g key={`${label.line} ${label.back}`} {...fading(line)}>
              <LabelDrawing label={label} theme={theme} />
            </g>
          )
        )
      })}
      {cards.map((card) => {
        const box = drawn.boxes.get(card.id)
        return (
          box && (
            <g
              key={card.id}
              transform={`translate(${box.x} ${box.y})`}
              {...(lit && !lit.tables.has(card.id) && { opacity: pale.card })}
            >
              <CardDrawing card={card} theme={theme} lit={lit?.fields} />
            </g>
          )
        )
      })}
      {remarks.map((remark) => (
        <RemarkDrawing key={remark.id} remark={placed(remark, drawn.factor)} theme={theme} />
      ))}
      {words && <TitleBlock whole={{ ...inner, ...inflatedBack(inner) }} words={words} theme={theme} />}
      {children}
    </svg>
  )
}

/** The drawing without the room about it. */
const inflatedBack = (box: Box) => inflated(box, -24)
