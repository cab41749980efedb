import { textWidth } from '@/core/letters'
import { cardSize, type CardRow, type MapCard } from '@/core/map'
import type { MapTheme } from './theme'

interface Props {
  readonly card: MapCard
  readonly theme: MapTheme
  readonly chosen?: boolean
  /** Fields that are pointed out. */
  readonly lit?: ReadonlySet<string> | undefined
  readonly onRow?: ((field: string) => void) | undefined
  /** Pointed at; undefined once it is no longer. */
  readonly onPoint?: ((field: string | undefined) => void) | undefined
  /** From far off: its name alone, as large as the card allows. */
  readonly far?: boolean
}

const radius = 8

/** A table as a filing card with a tab: its key underlined, its links with an arrow before them. */
export function CardDrawing({ card, theme, chosen = false, lit, onRow, onPoint, far = false }: Props) {
  const { width, height, tab, rows, role } = card
  const fill = role === 'joining' ? theme.joining : theme.card
  const stroke = chosen ? theme.chosen : role === 'joining' ? theme.joiningFrame : theme.frame
  const { inset, letter } = cardSize
  const named = tab.height < cardSize.tab
  return (
    <g strokeWidth={chosen ? 2 : 1}>
      <path d={bodyPath(width, tab.height, height)} fill={fill} stroke={stroke} />
      <path
        d={`M0 ${tab.height} V${Math.min(radius, tab.height)} q0 ${-Math.min(radius, tab.height)} ${radius} ${-Math.min(radius, tab.height)} H${tab.width - radius} q${radius} 0 ${radius} ${Math.min(radius, tab.height)} V${tab.height}`}
        fill={chosen && !named ? theme.chosen : fill}
        stroke={stroke}
      />
      {!(chosen && !named) && (
        <path d={`M1 ${tab.height} H${tab.width - 1}`} stroke={fill} strokeWidth={2.5} fill="none" />
      )}
      {far ? (
        <text
          x={width / 2}
          y={(tab.height + height) / 2}
          fontSize={farLetter(card)}
          fontWeight={700}
          fill={theme.ink}
          textAnchor="middle"
          dominantBaseline="central"
        >
          {card.title}
        </text>
      ) : (
        <>
          <text
            x={inset}
            y={named ? tab.height + (height - tab.height) / 2 + 4.5 : 19.5}
            fontSize={letter}
            fontWeight={700}
            fill={chosen && !named ? theme.onChosen : theme.ink}
          >
            {card.title}
          </text>
          {rows.map((row, at) => (
            <RowDrawing
              key={row.id}
              row={row}
              y={tab.height + cardSize.padding + at * cardSize.row}
              width={width}
              theme={theme}
              lit={lit?.has(row.field)}
              onRow={onRow}
              onPoint={onPoint}
            />
          ))}
        </>
      )}
    </g>
  )
}

interface RowProps {
  readonly row: CardRow
  readonly y: number
  readonly width: number
  readonly theme: MapTheme
  /** Undefined where nothing is pointed out. */
  readonly lit: boolean | undefined
  readonly onRow: ((field: string) => void) | undefined
  readonly onPoint: ((field: string | undefined) => void) | undefined
}

function RowDrawing({ row, y, width, theme, lit, onRow, onPoint }: RowProps) {
  const { inset, letter, small, arrow } = cardSize
  const start = inset + (row.link ? arrow : 0)
  return (
    <g
      onClick={onRow && (() => onRow(row.field))}
      onPointerEnter={onPoint && (() => onPoint(row.field))}
      onPointerLeave={onPoint && (() => onPoint(undefined))}
      className={onRow && 'cursor-pointer'}
      opacity={lit === false ? 0.45 : undefined}
    >
      {/* Something to hit, however short the name. */}
      <rect x={1} y={y} width={width - 2} height={cardSize.row} fill={lit ? theme.lit : 'transparent'} stroke="none" />
      <text
        x={start}
        y={y + 14.5}
        fontSize={letter}
        fill={row.link ? theme.link : theme.ink}
        fontStyle={row.derived ? 'italic' : undefined}
      >
        {row.text}
      </text>
      {/* Drawn, because not every typeface has an arrow. */}
      {row.link && (
        <path
          d={`M${inset} ${y + 10} h9 m-3.5 -3.5 l3.5 3.5 l-3.5 3.5`}
          fill="none"
          stroke={theme.link}
          strokeWidth={1.4}
        />
      )}
      {row.key && (
        <path d={`M${start} ${y + 18.5} h${textWidth(row.text, letter)}`} stroke={theme.key} strokeWidth={2} />
      )}
      {row.detail && (
        <text x={width - inset} y={y + 14.5} fontSize={small} fill={theme.soft} textAnchor="end">
          {row.detail}
        </text>
      )}
    </g>
  )
}

/** As large as a title can be on its card. */
const farLetter = ({ title, width, height, tab }: MapCard) =>
  Math.min(48, (height - tab.height) * 0.6, (width - 16) / textWidth(title, 1, 'bold'))

const bodyPath = (width: number, top: number, bottom: number) =>
  `M0 ${top} H${width - radius} q${radius} 0 ${radius} ${radius} V${bottom - radius} q0 ${radius} ${-radius} ${radius} H${radius} q${-radius} 0 ${-radius} ${-radius} Z`
