'use client'

import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useMemo } from 'react'
import { officeNow } from '@/app/office-now'
import { type List, tableOf } from '@/core/book'
import { chartData, drawingOf, type DrawnChart, nameOf, readList, type ReadList, sayList } from '@/core/lists'
import { capital, inSentence, plural } from '@/core/words'
import { useCrossing } from './lists/use-crossing'
import { useListCount } from './lists/use-list-lines'
import { useRecords } from './records-context'

const ChartCanvas = dynamic(() => import('./lists/chart-canvas').then(({ ChartCanvas: canvas }) => canvas), {
  ssr: false,
})

const nothing = {}

/** The lists that were pinned, each with its number or its chart as it is now. */
export function PinnedLists() {
  const { book } = useRecords()
  const pinned = book.lists.filter(({ pinned: isPinned }) => isPinned)
  const [numbers, charts] = [false, true].map((drawn) =>
    pinned.filter(({ shown }) => (shown?.as === 'chart') === drawn),
  )
  if (pinned.length === 0) return null
  return (
    <section aria-label="Pinned lists" className="mb-7 flex flex-col gap-3">
      <ul className="grid grid-cols-[repeat(auto-fit,minmax(200px,1fr))] gap-3 empty:hidden">
        {numbers?.map((list) => (
          <Pinned key={list.id} list={list} />
        ))}
      </ul>
      <ul className="grid grid-cols-[repeat(auto-fit,minmax(min(420px,100%),1fr))] gap-3 empty:hidden">
        {charts?.map((list) => (
          <Pinned key={list.id} list={list} />
        ))}
      </ul>
    </section>
  )
}

function Pinned({ list }: { readonly list: List }) {
  const { book, base } = useRecords()
  const found = readList(book, list, { given: nothing, now: officeNow(), lists: book.lists })
  const read = 'read' in found ? found.read : undefined
  const { shown } = read ?? {}
  const chart = shown?.chart ? { ...shown, chart: shown.chart } : undefined
  return (
    <li>
      <Link
        href={`${base}/lists/${list.id}`}
        title={sayList(book, list)}
        className="flex h-full flex-col justify-between rounded-lg border border-ash-3 bg-paper px-4 py-3 hover:bg-ash-1"
      >
        <span className="font-semibold">{nameOf(book, list)}</span>
        {!read && <span className="text-[13px] text-brass">Something in it is to be put right.</span>}
        {read && list.asks.length > 0 && (
          <span className="text-[13px] text-ash-6">It is asked something each time: open it to answer.</span>
        )}
        {read && list.asks.length === 0 && !chart && <Amount list={list} />}
        {read && list.asks.length === 0 && chart && <SmallChart list={list} read={read} chart={chart} />}
      </Link>
    </li>
  )
}

function Amount({ list }: { readonly list: List }) {
  const { book, base } = useRecords()
  const count = useListCount(base, list, nothing, true)
  const noun = inSentence(tableOf(book, list.table).name)
  if (count.isError) return <span className="text-[13px] text-ash-6">It took too long to count.</span>
  return (
    <span className="mt-1 flex items-baseline gap-2">
      <span className="font-mono text-[26px] leading-tight">{count.data?.toLocaleString('en-GB') ?? '…'}</span>
      <span className="text-[13px] text-ash-6">{count.data === 1 ? noun : plural(noun)}</span>
    </span>
  )
}

interface ChartProps {
  readonly list: List
  readonly read: ReadList
  readonly chart: DrawnChart
}

function SmallChart({ list, read, chart }: ChartProps) {
  const { book, base } = useRecords()
  const { data: crossing, error } = useCrossing(
    base,
    list,
    nothing,
    chart.against ? 1 : Math.min(2, read.groups.length),
  )
  const drawing = useMemo(() => {
    if (!crossing || crossing.more) return undefined
    const data = chartData(book.look, read, chart, {
      places: crossing.rows,
      series: crossing.columns,
      both: crossing.both,
    })
    return drawingOf(book, read, chart, data)
  }, [book, read, chart, crossing])
  // As high as the chart, so that nothing below moves when it comes.
  const instead = error
    ? 'It could not be read.'
    : crossing?.more
      ? 'These are too many groups to be drawn.'
      : 'Looking …'
  if (!drawing) return <span className="mt-2 block h-[190px] text-[13px] text-ash-6">{instead}</span>
  return (
    <span className="mt-2 block h-[190px]">
      <ChartCanvas
        drawing={drawing}
        words={`${capital(drawing.of)} by ${drawing.along}. The list itself has the same in numbers.`}
        onOpen={() => undefined}
      />
    </span>
  )
}
