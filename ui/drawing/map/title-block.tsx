import { textWidth } from '@/core/letters'
import type { Box } from '@/core/map'
import type { MapTheme } from './theme'

export interface TitleWords {
  readonly title: string
  readonly author: string
  readonly date: string
  readonly revision: string
}

const height = 44

/** The block stands below the drawing, at its right, as wide as its words. */
export function titleBox(whole: Box, words: TitleWords): Box {
  const width = columnsOf(words).reduce((sum, column) => sum + column.width, 0)
  return { x: whole.x + whole.width - width, y: whole.y + whole.height + 30, width, height }
}

const columnsOf = ({ title, author, date, revision }: TitleWords) =>
  [
    { head: 'Title', text: title, bold: true },
    { head: 'Author', text: author, bold: false },
    { head: 'Date', text: date, bold: false },
    { head: 'Revision', text: revision, bold: false },
  ]
    .filter(({ text }) => text)
    .map((column) => ({
      ...column,
      width: Math.max(90, Math.ceil(textWidth(column.text, 14, column.bold ? 'bold' : 'regular')) + 28),
    }))

interface Props {
  readonly whole: Box
  readonly words: TitleWords
  readonly theme: MapTheme
}

/** What the sheet is: title, author, date and revision. */
export function TitleBlock({ whole, words, theme }: Props) {
  const box = titleBox(whole, words)
  const columns = columnsOf(words)
  const starts = columns.map((_, at) => columns.slice(0, at).reduce((sum, { width }) => sum + width, box.x))
  return (
    <g>
      <rect {...box} fill={theme.card} stroke={theme.soft} />
      {columns.map(({ head, text, bold }, at) => (
        <g key={head}>
          {at > 0 && <path d={`M${starts[at]!} ${box.y} V${box.y + box.height}`} stroke={theme.frame} />}
          <text x={starts[at]! + 12} y={box.y + 15} fontSize={11} fill={theme.soft}>
            {head}
          </text>
          <text x={starts[at]! + 12} y={box.y + 34} fontSize={14} fontWeight={bold ? 700 : 400} fill={theme.ink}>
            {text}
          </text>
        </g>
      ))}
    </g>
  )
}
