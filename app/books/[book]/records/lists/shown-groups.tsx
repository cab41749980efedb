'use client'

import { X } from 'lucide-react'
import { useState } from 'react'
import type { List, Shown, Table } from '@/core/book'
import { nameOf, type ReadList, type ReadShown } from '@/core/lists'
import { Button, Empty, IconButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import { Refused } from '../rows-query'
import { ChartView } from './chart-view'
import { CrossedTable } from './crossed-table'
import { Behind } from './grouped-grid'
import { useCrossing } from './use-crossing'
import type { Path } from './use-list-lines'

interface Props {
  readonly table: Table
  readonly list: List
  readonly read: ReadList
  readonly shown: ReadShown
  readonly given: Readonly<Record<string, string>>
  readonly onShown: (shown: Shown) => void
}

/** The groups of a list crossed, or as a chart; pressing a number or a bar opens the records behind it. */
export function ShownGroups({ table, list, read, shown, given, onShown }: Props) {
  const { book, base } = useRecords()
  const crossing = useCrossing(base, list, given, shown.against ? 1 : Math.min(2, read.groups.length))
  const [behind, setBehind] = useState<{ readonly path: Path; readonly words: string }>()
  if (crossing.error)
    return (
      <div className="px-6">
        <Empty head="This could not be read" action={<Button onClick={crossing.retry}>Try again</Button>}>
          {crossing.error instanceof Refused
            ? crossing.error.message
            : 'It took too long, or the connection was lost for a moment.'}
        </Empty>
      </div>
    )
  if (!crossing.data) return <p className="px-6 py-2 text-[13px] text-ash-6">Looking …</p>
  if (crossing.data.more)
    return (
      <div className="px-6">
        <Empty head="These are too many groups to be shown together">
          At most 2,000 rows and 25,000 numbers are. Group in bigger steps, or add a condition.
        </Empty>
      </div>
    )
  const open = (path: Path, words: string) => setBehind({ path, words })
  const { chart } = shown
  return (
    <>
      {chart ? (
        <ChartView
          name={nameOf(book, list)}
          read={read}
          shown={{ ...shown, chart }}
          crossing={crossing.data}
          onChart={(next) => list.shown && onShown({ as: 'chart', of: list.shown.of, chart: next })}
          onOpen={open}
        />
      ) : (
        <CrossedTable read={read} of={shown.of} crossing={crossing.data} onOpen={open} />
      )}
      {behind && (
        <section
          aria-label={`Behind ${behind.words}`}
          className="flex max-h-[45%] min-h-[160px] flex-col border-t-2 border-ash-4"
        >
          <header className="flex items-center justify-between px-6 py-1.5 max-md:px-3">
            <h2 className="text-[15px] font-semibold">{behind.words}</h2>
            <IconButton label="Close what is behind it" onClick={() => setBehind(undefined)}>
              <X size={15} aria-hidden />
            </IconButton>
          </header>
          <Behind
            key={JSON.stringify(behind.path)}
            table={table}
            list={list}
            read={read}
            given={given}
            path={behind.path}
          />
        </section>
      )}
    </>
  )
}
