'use client'

import type { ChartKind, List, Measure, Shown } from '@/core/book'
import { chartsFor, groupAt, isNumber, type ReadList, type ReadMeasure, sayMeasure } from '@/core/lists'
import { capital, inSentence, sameJson } from '@/core/words'
import { ChoiceBox, Segments } from '@/ui/kit'

interface Props {
  readonly list: List
  readonly read: ReadList
  readonly onChange: (shown: Shown | undefined) => void
}

const chartNames: Readonly<Record<ChartKind, string>> = {
  bars: 'Bars',
  stacked: 'Stacked bars',
  lines: 'Lines',
  shares: 'Shares',
  scatter: 'Points',
}

/** How groups are shown: their records under headings, two of them crossed, or a chart. */
export function ShownBar({ list, read, onChange }: Props) {
  const { shown } = list
  const measures = measuresOf(read)
  const first = shown?.of ?? { size: true }
  const numbers = measures.filter(({ of }) => isNumber(of))
  const others = numbers.filter(({ measure }) => !shown || !sameJson(measure, shown.of))
  const charts = chartsFor(read.groups.length, read.shown?.of ?? 'size', others.length)
  const draw = (chart: ChartKind) => {
    if (shown?.as !== 'chart') return
    const { against: _against, ...rest } = shown
    const [other] = others
    onChange(chart === 'scatter' && other ? { ...rest, chart, against: other.measure } : { ...rest, chart })
  }
  const as = (way: 'records' | 'crossed' | 'chart') => {
    if (way === 'records') return onChange(undefined)
    onChange(way === 'crossed' ? { as: 'crossed', of: first } : { as: 'chart', of: first, chart: usualChart(read) })
  }
  return (
    <div className="flex flex-wrap items-center gap-2 px-6 pb-2 max-md:px-3">
      <Segments
        small
        label="How groups are shown"
        value={shown?.as ?? 'records'}
        options={[
          { value: 'records', words: 'Records' },
          ...(read.groups.length > 1 ? [{ value: 'crossed' as const, words: 'Crossed' }] : []),
          { value: 'chart', words: 'Chart' },
        ]}
        onChange={as}
      />
      {shown && (
        <ChoiceBox
          aria-label="What is told of each group"
          value={measures.findIndex(({ measure }) => sameJson(measure, shown.of))}
          onChange={(event) => onChange({ ...shown, of: measures[Number(event.target.value)]?.measure ?? shown.of })}
          className="!w-[220px] text-[13px]"
        >
          {measures.map(({ words }, at) => (
            <option key={at} value={at}>
              {words}
            </option>
          ))}
        </ChoiceBox>
      )}
      {shown?.as === 'chart' && (
        <ChoiceBox
          aria-label="Which chart"
          value={shown.chart}
          onChange={(event) => draw(event.target.value as ChartKind)}
          className="!w-[150px] text-[13px]"
        >
          {[...new Set([...charts, shown.chart])].map((chart) => (
            <option key={chart} value={chart}>
              {chartNames[chart]}
            </option>
          ))}
        </ChoiceBox>
      )}
      {shown?.as === 'chart' && shown.chart === 'scatter' && (
        <ChoiceBox
          aria-label="Against what"
          value={numbers.findIndex(({ measure }) => sameJson(measure, shown.against))}
          onChange={(event) => {
            const against = numbers[Number(event.target.value)]?.measure
            if (against) onChange({ ...shown, against })
          }}
          className="!w-[220px] text-[13px]"
        >
          {numbers.map(({ words }, at) => (
            <option key={at} value={at}>
              against {inSentence(words)}
            </option>
          ))}
        </ChoiceBox>
      )}
    </div>
  )
}

/** What follows on in time is drawn as lines; what else, as bars, stacked where there are parts. */
function usualChart(read: ReadList): ChartKind {
  const { step, by } = groupAt(read, 0)
  if (typeof step === 'string' && step !== 'letter' && by === undefined) return 'lines'
  return read.groups.length > 1 ? 'stacked' : 'bars'
}

interface Told {
  readonly of: ReadMeasure
  readonly measure: Measure
  readonly words: string
}

/** What can be told of each group. */
function measuresOf(read: ReadList): readonly Told[] {
  const one = (of: ReadMeasure): Told => ({
    of,
    measure: of === 'size' ? { size: true } : { column: of.column.id },
    words: of === 'size' ? `How many ${sayMeasure(read, of)}` : capital(sayMeasure(read, of)),
  })
  return [one('size'), ...read.figures.map(one)]
}
