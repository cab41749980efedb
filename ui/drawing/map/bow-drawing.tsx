import type { Bow, DependencyKind } from '@/core/map'
import type { MapTheme } from './theme'

const dashes: Partial<Record<DependencyKind, string>> = {
  borrowed: '8 5',
  copied: '10 4 2 4',
  workedOut: '2 4',
  rule: '14 4',
}

/** The stroke of one kind of dependency: each has its own, so that colour never speaks alone. */
export function BowStroke({
  kind,
  d,
  colour,
}: {
  readonly kind: DependencyKind
  readonly d: string
  readonly colour: string
}) {
  return (
    <g fill="none" stroke={colour}>
      <path d={d} strokeWidth={kind === 'link' ? 2 : 1.75} strokeDasharray={dashes[kind]} />
      {/* Short strokes across the line, as on a tally. */}
      {kind === 'gathered' && <path d={d} strokeWidth={8} strokeDasharray="1.5 11" />}
    </g>
  )
}

/** A dependency from the field that is read to the field that reads it. */
export function BowDrawing({ bow, theme }: { readonly bow: Bow; readonly theme: MapTheme }) {
  const { dependency, tip, label } = bow
  const colour = theme.depends[dependency.kind]
  return (
    <g>
      <BowStroke kind={dependency.kind} d={bow.path} colour={colour} />
      <path
        d={`M${tip.x - tip.towards * 8} ${tip.y - 5} L${tip.x} ${tip.y} L${tip.x - tip.towards * 8} ${tip.y + 5}`}
        fill="none"
        stroke={colour}
        strokeWidth={1.75}
      />
      {label && (
        <>
          <rect {...label.box} rx={5} fill={theme.ground} stroke={colour} />
          <text
            x={label.box.x + label.box.width / 2}
            y={label.box.y + 13}
            fontSize={11}
            fontWeight={700}
            fill={colour}
            textAnchor="middle"
          >
            {label.text}
          </text>
        </>
      )}
    </g>
  )
}
