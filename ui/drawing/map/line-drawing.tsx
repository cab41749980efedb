import type { FootEnd } from '@/core/pairings'
import { type AnyLine, isStream, labelSize, type MapLabel, type Point, type Route, type Stream } from '@/core/map'
import { FootMark } from '../crows-foot'
import type { MapTheme } from './theme'

interface Props {
  readonly line: AnyLine
  readonly route: Route
  readonly theme: MapTheme
  readonly chosen?: boolean
}

const radius = 5

/** A link as a line with right angles and a crow's foot at each end; a stream as a wider one with a point at its end. */
export function LineDrawing({ line, route, theme, chosen = false }: Props) {
  const { points } = route
  if (isStream(line))
    return <StreamDrawing stream={line} points={points} colour={chosen ? theme.chosen : theme.stream} />
  const colour = chosen ? theme.chosen : theme.ink
  return (
    <g fill="none" stroke={colour} strokeWidth={chosen ? 2.5 : 1.5}>
      <path d={roundedPath(points)} />
      <Foot at={points[0]!} towards={points[1]!} end={line.atOne} fill={theme.ground} colour={colour} />
      <Foot at={points.at(-1)!} towards={points.at(-2)!} end={line.atMany} fill={theme.ground} colour={colour} />
    </g>
  )
}

interface StreamProps {
  readonly stream: Stream
  readonly points: readonly Point[]
  readonly colour: string
}

/** How far the point at the end reaches, in map units. */
const tip = 14

/** Wider the more fields go that way, and pointed where they arrive. */
function StreamDrawing({ stream, points, colour }: StreamProps) {
  const [before, end] = [points.at(-2)!, points.at(-1)!]
  const [dx, dy] = [Math.sign(end.x - before.x), Math.sign(end.y - before.y)]
  const width = streamWidth(stream)
  const half = width / 2 + 5
  // The line stops inside its point, or its square end would show beside it.
  const stop = { x: end.x - dx * (tip - 2), y: end.y - dy * (tip - 2) }
  const foot = { x: end.x - dx * tip, y: end.y - dy * tip }
  return (
    <g>
      <path d={roundedPath([...points.slice(0, -1), stop])} fill="none" stroke={colour} strokeWidth={width} />
      <path
        d={`M${end.x} ${end.y} L${foot.x - dy * half} ${foot.y + dx * half} L${foot.x + dy * half} ${foot.y - dx * half} Z`}
        fill={colour}
      />
    </g>
  )
}

/** In map units: no wider than lines lie apart. */
const streamWidth = ({ width }: Stream): number => Math.min(8, 1.5 + width)

interface FootProps {
  readonly at: Point
  readonly towards: Point
  readonly end: FootEnd
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
