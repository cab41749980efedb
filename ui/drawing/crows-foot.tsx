import { type FootEnd, footWords } from '@/core/pairings'

/** The strokes of one end, drawn at x = 0 with the line running to the right. 22 units long, 14 high. */
export function FootMark({
  end,
  fill = 'var(--paper)',
  colour = 'currentColor',
}: {
  readonly end: FootEnd
  readonly fill?: string
  readonly colour?: string
}) {
  const many = end === 'one-or-more' || end === 'none-or-more'
  const none = end === 'none-or-one' || end === 'none-or-more'
  return (
    <g fill="none" stroke={colour} strokeWidth="1.5" strokeLinecap="round">
      {many ? <path d="M0 -6 L11 0 L0 6 M0 0 H11" /> : <path d="M5 -5 V5" />}
      {none ? (
        <circle cx={many ? 14.5 : 10.5} cy="0" r="3.5" fill={fill} />
      ) : (
        <path d={many ? 'M15 -5 V5' : 'M10 -5 V5'} />
      )}
    </g>
  )
}

interface Props {
  readonly left: FootEnd
  readonly right: FootEnd
  readonly width?: number
}

/** A line between two tables in crow's-foot notation, told in words to those who don't see it. */
export function FootLine({ left, right, width = 64 }: Props) {
  return (
    <svg
      width={width}
      height={16}
      viewBox={`0 -8 ${width} 16`}
      role="img"
      aria-label={`${footWords[left]} to ${footWords[right]}`}
      className="shrink-0"
    >
      <path d={`M0 0 H${width}`} stroke="currentColor" strokeWidth="1.5" />
      <FootMark end={left} />
      <g transform={`translate(${width} 0) scale(-1 1)`}>
        <FootMark end={right} />
      </g>
    </svg>
  )
}
