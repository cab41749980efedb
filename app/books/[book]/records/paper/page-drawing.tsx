import { memo } from 'react'
import { stretchesOf } from '@/core/letters'
import type { Item, Page, PagePart, PictureItem } from '@/core/reports'
import { shades } from '@/core/reports/page'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'

interface Props {
  readonly page: Page
  readonly sheet: { readonly width: number; readonly height: number }
  readonly label: string
  readonly chosen?: PagePart | undefined
  readonly onChoose?: ((part: PagePart) => void) | undefined
}

// Paper is white in either theme.
export const paper = '#ffffff'
export const tones = { ink: '#1d2422', grey: '#465049', line: '#c1c8c1', tint: '#f1f3f0', ...shades } as const

/** A page as it comes out of the printer, drawn from the very same texts and lines. */
export const PageDrawing = memo(function PageDrawing({ page, sheet, label, chosen, onChoose }: Props) {
  return (
    <svg
      role="document"
      aria-label={label}
      viewBox={`0 0 ${sheet.width} ${sheet.height}`}
      className="block h-auto w-full shadow-float"
      style={{
        background: paper,
        fontKerning: 'none',
        fontVariantLigatures: 'none',
        fontVariantNumeric: 'tabular-nums',
      }}
    >
      {page.items.map((item, at) => (
        <Drawn key={at} item={item} />
      ))}
      {page.areas.map(({ part, from, until }, at) => (
        // The outline beside the pages does the same from the keyboard.
        <rect
          key={at}
          x={edge}
          y={from - 1}
          width={sheet.width - 2 * edge}
          height={until - from + 2}
          rx={3}
          onClick={() => onChoose?.(part)}
          className={classNames(
            'cursor-pointer fill-transparent hover:stroke-[#c1c8c1]',
            part === chosen && at === firstOf(page, part) && 'stroke-[#14625c]',
          )}
          strokeWidth={1.2}
        />
      ))}
    </svg>
  )
})

/** How far in from the paper's edge a part is marked. */
const edge = 12
const firstOf = ({ areas }: Page, part: PagePart) => areas.findIndex((area) => area.part === part)

function Drawn({ item }: { readonly item: Item }) {
  switch (item.kind) {
    case 'picture':
      return <Picture item={item} />
    case 'line':
      return (
        <line
          x1={item.x}
          x2={item.x + item.width}
          y1={item.y}
          y2={item.y}
          stroke={item.colour ?? tones[item.tone]}
          strokeWidth={item.thick}
        />
      )
    case 'path':
      return (
        <polyline
          points={item.points.map(([x, y]) => `${x},${y}`).join(' ')}
          fill="none"
          stroke={tones[item.tone]}
          strokeWidth={item.thick}
          strokeDasharray={item.dash?.join(' ')}
          strokeLinejoin="round"
        />
      )
    case 'tint':
      return <rect x={item.x} y={item.y} width={item.width} height={item.height} fill={tones[item.tone ?? 'tint']} />
    case 'text':
      return (
        <text
          y={item.y}
          fontSize={item.size}
          fontWeight={item.bold ? 700 : 400}
          fill={item.colour ?? tones[item.tone ?? 'ink']}
          xmlSpace="preserve"
        >
          {stretchesOf(item.words, item.size, item.bold ? 'bold' : 'regular').map(({ face, words, from }, at) => (
            <tspan key={at} x={item.x + from} className={face === 'own' ? undefined : 'font-further'}>
              {words}
            </tspan>
          ))}
        </text>
      )
  }
}

function Picture({ item: { x, y, width, height, hash } }: { readonly item: PictureItem }) {
  const { base } = useRecords()
  return <image href={`${base}/pictures/${hash}`} {...{ x, y, width, height }} preserveAspectRatio="none" />
}
