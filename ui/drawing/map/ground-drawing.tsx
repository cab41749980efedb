import type { Area, Remark } from '@/core/book'
import { textWidth } from '@/core/letters'
import { around, type Box, inflated } from '@/core/map'
import type { MapTheme } from './theme'

/** The ground of an area: round all its cards, with room for its name above them. */
export function areaBox(area: Area, boxes: ReadonlyMap<string, Box>): Box | undefined {
  const own = around(area.tables.flatMap((id) => boxes.get(id) ?? []))
  const wide = own && inflated(own, 20)
  return wide && { ...wide, y: wide.y - 20, height: wide.height + 20 }
}

interface AreaProps {
  readonly area: Area
  readonly boxes: ReadonlyMap<string, Box>
  readonly theme: MapTheme
}

export function AreaDrawing({ area, boxes, theme }: AreaProps) {
  const box = areaBox(area, boxes)
  if (!box) return null
  const colour = theme.areas[area.tone]
  return (
    <g>
      <rect
        {...box}
        rx={14}
        fill={colour}
        fillOpacity={0.09}
        stroke={colour}
        strokeOpacity={0.55}
        strokeDasharray="2 5"
      />
      <text x={box.x + 14} y={box.y + 20} fontSize={13} fontWeight={700} fill={colour}>
        {area.name}
      </text>
    </g>
  )
}

const remarkWidth = 200

const lineWidth = remarkWidth - 20
const fits = (text: string) => textWidth(text, 12) <= lineWidth

/** A note's words broken into lines, as wide as a note is; a word that is wider by itself is broken too. */
function linesOf(text: string): string[] {
  return text.split('\n').flatMap((paragraph) => {
    const lines: string[] = ['']
    for (const word of paragraph.split(' ').flatMap(pieces)) {
      const longer = lines.at(-1) ? `${lines.at(-1)!} ${word}` : word
      if (fits(longer)) lines[lines.length - 1] = longer
      else lines.push(word)
    }
    return lines
  })
}

function pieces(word: string): string[] {
  if (fits(word)) return [word]
  const parts = ['']
  for (const letter of word) {
    if (fits(parts.at(-1)! + letter)) parts[parts.length - 1] += letter
    else parts.push(letter)
  }
  return parts
}

export const remarkBox = (remark: Remark): Box => ({
  x: remark.x,
  y: remark.y,
  width: remarkWidth,
  height: 16 + linesOf(remark.text).length * 16,
})

export function RemarkDrawing({ remark, theme }: { readonly remark: Remark; readonly theme: MapTheme }) {
  const box = remarkBox(remark)
  return (
    <g>
      <path
        d={`M${box.x} ${box.y} H${box.x + box.width} V${box.y + box.height - 12} L${box.x + box.width - 12} ${box.y + box.height} H${box.x} Z`}
        fill={theme.remark}
        stroke={theme.joiningFrame}
      />
      {linesOf(remark.text).map((line, at) => (
        <text key={at} x={box.x + 10} y={box.y + 20 + at * 16} fontSize={12} fill={theme.ink}>
          {line}
        </text>
      ))}
    </g>
  )
}
