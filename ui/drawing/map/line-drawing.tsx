import { labelSize, type MapLabel, type MapLine, type Point, type Route } from '@/core/map'
import { FootMark } from '../crows-foot'
import type { MapTheme } from './theme'

interface Props {
  readonly line: MapLine
  readonly route: Route
  readonly theme: MapTheme
  readonly chosen?: boolean
}

const radius = 5

/** A tie as a line with right angles and a crow's foot at each end. */
export function LineDrawing({ line, route, theme, chosen = false }: Props) {
  const { points } = route
  const colour = chosen ? theme.chosen : theme.ink
  return (
    <g fill="none" stroke={colour} strokeWidth={chosen ? 2.5 : 1.5}>
      <path d={roundedPath(points)} />
      <Foot at={points[0]!} towards={points[1]!} end={line.atOne} fill={theme.ground} colour={colour} />
      <Foot at={points.at(-1)!} towards={points.at(-2)!} end={line.atMany} fill={theme.ground} colour={colour} />
    </g>
  )
}

interface FootProps {
  readonly at: Point
  readonly towards: Point
  readonly end: MapLine['atOne']
  readonly fill: string
  readonly colour: string
}

function Foot({ at, towards, end, fill, colour }: FootProps) {
  const turn = (Math.atan2(Math.sign(towards.y - at.y), Math.sign(towards.x - at.x)) * 180) / Math.PI
  return (
    <g transform={`translate(${at.x} ${at.y}) rotate(${turn})`}>
      <FootMark end={end} fill={fill} colour={colour} />
    </g>
  )
}

/** A way along points, its corners a little rounded. */
export function roundedPath(points: readonly Point[]): string {
  return points
    .map((point, at) => {
      const [before, after] = [points[at - 1], points[at + 1]]
      if (!before) return `M${point.x} ${point.y}`
      if (!after) return `L${point.x} ${point.y}`
      const near = (other: Point) => {
        const far = Math.abs(other.x - point.x) + Math.abs(other.y - point.y)
        const by = Math.min(radius, far / 2)
        return `${point.x + Math.sign(other.x - point.x) * by} ${point.y + Math.sign(other.y - point.y) * by}`
      }
      return `L${near(before)} Q${point.x} ${point.y} ${near(after)}`
    })
    .join(' ')
}

/** The words beside a line. */
export const LabelDrawing = ({ label, theme }: { readonly label: MapLabel; readonly theme: MapTheme }) => (
  <text x={label.box.x + 2} y={label.box.y + 12} fontSize={labelSize.letter} fill={theme.soft}>
    {label.text}
  </text>
)
