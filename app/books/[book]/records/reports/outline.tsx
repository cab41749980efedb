'use client'

import Link from 'next/link'
import type { List, Report } from '@/core/book'
import { nameOf, type ReadList } from '@/core/lists'
import { sayPaper, shownIn } from '@/core/reports'
import { classNames } from '@/ui/kit'
import { WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import { turned } from './how-it-fits'

/** What a report is made of: pressed, its choices stand in the margin. */
export const reportParts = [
  'heading',
  'opening',
  'chart',
  'columns',
  'rows',
  'groups',
  'closing',
  'paper',
  'letterhead',
] as const
export type ReportPart = (typeof reportParts)[number]

interface Props {
  readonly report: Report
  readonly list: List
  readonly read: ReadList
  readonly chosen: ReportPart
  readonly onChoose: (part: ReportPart) => void
  readonly onChange: (to: Partial<Report>) => void
}

const rowWords = { lines: 'parted by lines', tint: 'tinted in turn', none: 'with nothing between' } as const
export const chartWords = { with: 'before the rows', alone: 'and no rows', none: 'none' } as const

/** Whether there is one where nothing is said: as the list is shown. */
export const usualChart = (read: ReadList) => (read.shown?.chart ? 'with' : 'none')
const roomWords = { tight: 'tight', usual: 'usual room', wide: 'wide' } as const

/** How its rows stand; those of a crossed table can't be folded. */
const sayRows = ({ folded, rows, room }: Report, mayFold: boolean): string =>
  `${folded && mayFold ? 'two lines each, ' : ''}${rowWords[rows]}, ${roomWords[room]}`

/** What the pages say, and on which paper. */
export function Outline({ report, list, read, chosen, onChoose, onChange }: Props) {
  const { book, base } = useRecords()
  const shared = { chosen, onChoose }
  const shown = shownIn(read, report).length
  const isAlone = (report.chart ?? usualChart(read)) === 'alone'
  const hasRecords = !isAlone && !isCrossed(read)
  return (
    <div className="px-2 text-[13px]">
      <h2 className="px-2 pb-1 text-xs text-ash-6">What the pages say</h2>
      <ul>
        <Part {...shared} part="heading" words="Heading" />
        <Part {...shared} part="opening" words="Opening words" more={report.opening ? undefined : 'none'} />
        {read.groups.length > 0 && (
          <Part {...shared} part="chart" words="Chart" more={chartWords[report.chart ?? usualChart(read)]} />
        )}
        {hasRecords && read.groups.length > 0 && (
          <Part
            {...shared}
            part="groups"
            words="Put together by"
            more={read.groups.map(({ heading }) => heading).join(', ')}
          />
        )}
        {hasRecords && (
          <Part
            {...shared}
            part="columns"
            words="Columns"
            more={shown < read.columns.length ? `${shown} of ${read.columns.length}` : String(shown)}
          />
        )}
        {!isAlone && <Part {...shared} part="rows" words="Rows" more={sayRows(report, hasRecords)} />}
        <Part {...shared} part="closing" words="Closing words" more={report.closing ? undefined : 'none'} />
      </ul>
      <h2 className="px-2 pt-4 pb-1 text-xs text-ash-6">Paper</h2>
      <ul>
        <Part
          {...shared}
          part="paper"
          words={sayPaper(report.paper)}
          more={`margins ${report.paper.margin} mm, letters ${report.letters} pt`}
        />
      </ul>
      <p className="px-2">
        <WordButton onClick={() => onChange(turned(report))}>Turn the paper</WordButton>
      </p>
      <ul className="pt-1">
        <Part
          {...shared}
          part="letterhead"
          words="Letterhead"
          more={book.letterhead?.name ?? (book.letterhead ? undefined : 'none')}
        />
      </ul>
      <h2 className="px-2 pt-4 pb-1 text-xs text-ash-6">From the list</h2>
      <p className="px-2">
        <Link href={`${base}/lists/${list.id}`} className="rounded-sm font-semibold text-spruce underline">
          {nameOf(book, list)}
        </Link>
      </p>
      <p className="px-2 pt-1 text-ash-6">Which records, which columns, their order and sums are changed there.</p>
    </div>
  )
}

/** Two groups crossed are a table of their own: the list's columns don't stand in it. */
export const isCrossed = ({ shown, groups }: ReadList) => shown !== undefined && !shown.chart && groups.length > 1

interface PartProps {
  readonly part: ReportPart
  readonly words: string
  readonly more?: string | undefined
  readonly chosen: ReportPart
  readonly onChoose: (part: ReportPart) => void
}

const Part = ({ part, words, more, chosen, onChoose }: PartProps) => (
  <li>
    <button
      type="button"
      aria-current={part === chosen || undefined}
      onClick={() => onChoose(part)}
      className={classNames(
        'w-full rounded-md border-l-[3px] px-2 py-1.5 text-left',
        part === chosen ? 'border-spruce bg-paper font-semibold' : 'border-transparent hover:bg-ash-3',
      )}
    >
      {words}
      {more && <span className="block text-xs font-normal text-ash-6">{more}</span>}
    </button>
  </li>
)
