'use client'

import type { Report } from '@/core/book'
import type { ReadList } from '@/core/lists'
import { shownIn } from '@/core/reports'
import { OrderedTicks } from '@/ui/kit'

interface Props {
  readonly report: Report
  readonly read: ReadList
  readonly onChange: (to: Partial<Report>) => void
}

/** Which columns stand on paper, and in which order. */
export function ColumnChoices({ report, read, onChange }: Props) {
  const without = report.without ?? []
  const all = shownIn(read, { order: report.order }).flatMap((place) => read.columns[place] ?? [])
  const ids = all.map(({ id }) => id)
  const shown = new Set(shownIn(read, report).flatMap((place) => read.columns[place]?.id ?? []))
  const place = (id: string, before: string | null) => {
    const others = ids.filter((one) => one !== id)
    const at = before === null ? others.length : others.indexOf(before)
    const order = others.toSpliced(at, 0, id)
    const isListed = order.every((one, index) => one === read.columns[index]?.id)
    onChange({ order: isListed ? undefined : order })
  }
  const tick = (id: string, now: boolean) => {
    const left = now ? without.filter((one) => one !== id) : [...without, id]
    onChange({ without: left.length > 0 ? left : undefined })
  }
  return (
    <OrderedTicks
      name="report-column"
      legend="On paper, in this order"
      ways={['further left', 'further right']}
      all={all.map(({ id, heading }) => ({
        ...{ id, words: heading, ticked: shown.has(id) },
        held: shown.has(id) && shown.size === 1,
      }))}
      onTick={tick}
      onPlace={place}
    />
  )
}
