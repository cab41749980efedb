'use client'

import { ImageDown } from 'lucide-react'
import dynamic from 'next/dynamic'
import { useMemo, useRef } from 'react'
import { toast } from 'sonner'
import type { ChartKind } from '@/core/book'
import {
  chartData,
  type Crossing,
  drawingOf,
  type DrawnChart,
  fittingChart,
  groupAt,
  type ReadList,
  sayGroup,
} from '@/core/lists'
import { capital, inSentence } from '@/core/words'
import { Button, WordButton } from '@/ui/kit'
import { handOver } from '@/ui/hand-over'
import { useRecords } from '../records-context'
import type { ChartPicture } from './chart-canvas'
import { CrossedTable } from './crossed-table'
import type { Path } from './use-list-lines'

const ChartCanvas = dynamic(() => import('./chart-canvas').then(({ ChartCanvas: canvas }) => canvas), { ssr: false })

interface Props {
  readonly name: string
  readonly read: ReadList
  readonly shown: DrawnChart
  readonly crossing: Crossing
  readonly onChart: (chart: ChartKind) => void
  readonly onOpen: (path: Path, words: string) => void
}

/** The groups of a list as a chart, with the same numbers as a table beneath. */
export function ChartView({ name, read, shown, crossing, onChart, onOpen }: Props) {
  const { book } = useRecords()
  const picture = useRef<ChartPicture>(null)
  const data = useMemo(
    () => chartData(book.look, read, shown, { places: crossing.rows, series: crossing.columns, both: crossing.both }),
    [book, read, shown, crossing],
  )
  const drawing = useMemo(() => drawingOf(book, read, shown, data), [book, read, shown, data])
  const fitting = fittingChart(read.groups, shown, data.places.length)
  const open = (place: number, series: number) => {
    // All the others are several groups, and not one that could be opened.
    if (data.series.length > 1 && !data.series[series]?.cell) return
    const cells = [data.places[place], data.series[series]?.cell].filter((cell) => cell !== undefined)
    onOpen(
      cells.map(({ key }) => key),
      cells.map((cell, at) => sayGroup(book.look, groupAt(read, at), cell)).join(', '),
    )
  }
  const save = async () => {
    const png = await picture.current?.png()
    if (png) handOver(png, `${name.slice(0, 80)}.png`)
    else toast('The picture could not be made. Try again.')
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-auto border-t border-ash-3">
      <div className="flex flex-wrap items-center justify-between gap-3 px-6 pt-3 text-[13px] text-ash-6 max-md:px-3">
        <p>
          {shown.against ? (
            `Each point is one ${inSentence(groupAt(read, 0).heading)}; those with nothing to tell are left out.`
          ) : fitting.chart === shown.chart ? (
            `${capital(fitting.why)}.`
          ) : (
            <>
              {capital(fitting.why)}. <WordButton onClick={() => onChart(fitting.chart)}>Draw it so</WordButton>
            </>
          )}
          {data.more.series > 0 &&
            ` The first ${data.series.length} are drawn; ${data.more.series} more are in the table.`}
          {data.more.places > 0 && ` The first ${data.places.length} are drawn.`}
        </p>
        <Button small onClick={() => void save()}>
          <ImageDown size={15} aria-hidden /> PNG
        </Button>
      </div>
      <div className="h-[420px] shrink-0 px-6 py-3 max-md:px-3">
        <ChartCanvas
          ref={picture}
          drawing={drawing}
          words={`${capital(drawing.of)} ${shown.against ? 'against' : 'by'} ${drawing.along}. The same numbers stand in the table below.`}
          onOpen={open}
        />
      </div>
      <h2 className="px-6 pb-2 text-[13px] font-semibold text-ash-6 max-md:px-3">The same in numbers</h2>
      <CrossedTable read={read} of={shown.of} against={shown.against} crossing={crossing} onOpen={onOpen} whole />
    </div>
  )
}
