'use client'

import type { List, Order, Shown, Table } from '@/core/book'
import { type ReadList, sayReady } from '@/core/lists'
import { counted, inSentence, plural } from '@/core/words'
import type { ListUse } from '@/server/books'
import { Button, Empty } from '@/ui/kit'
import { Refused } from '../rows-query'
import { useRecords } from '../records-context'
import { ChangingRecords } from './change/changing'
import { MarkedBar } from './change/marked-bar'
import { AllOfThem } from './figures-row'
import { GroupedGrid } from './grouped-grid'
import { ListGrid } from './list-grid'
import { ListStatus } from './list-status'
import { ShownBar } from './shown-bar'
import { ShownGroups } from './shown-groups'
import { TrailContext, useWayBack } from './trail'
import { useGroups, type useListCount, type useListLines } from './use-list-lines'

interface Props {
  readonly table: Table
  readonly list: List
  readonly read: ReadList
  readonly given: Readonly<Record<string, string>>
  readonly lines: ReturnType<typeof useListLines>
  readonly count: ReturnType<typeof useListCount>
  /** How often it was run this month. */
  readonly use: ListUse | undefined
  readonly onOrder: (order: readonly Order[]) => void
  readonly onShown: (shown: Shown | undefined) => void
}

/** How many records a list has, and the records themselves; or why there are none to see. */
export function ListLines({ table, list, read, given, lines, count, use, onOrder, onShown }: Props) {
  const all = lines.data?.pages.flatMap((page) => page.lines) ?? []
  const noun = inSentence(table.name)
  const trail = { list, given, back: useWayBack() }
  return (
    <TrailContext value={trail}>
      <ChangingRecords table={table}>
        <ListStatus lines={lines} count={count} noun={noun} />
        <MarkedBar />
        <Slow list={list} took={lines.data?.pages[0]?.took} use={use} />
        {lines.isError && (
          <div className="px-6">
            <Empty
              head="The list could not be read"
              action={<Button onClick={() => void lines.refetch()}>Try again</Button>}
            >
              {lines.error instanceof Refused ? lines.error.message : 'The connection may have been lost for a moment.'}
            </Empty>
          </div>
        )}
        {lines.isSuccess && !lines.isPlaceholderData && all.length === 0 && (
          <div className="px-6">
            <Empty head={list.where ? `No ${noun} is like that` : `No ${plural(noun)} yet`}>
              {list.where ? 'Change or remove a condition.' : 'They come here as they are entered.'}
            </Empty>
          </div>
        )}
        {!lines.isError && all.length > 0 && (
          <Found
            table={table}
            list={list}
            read={read}
            given={given}
            lines={lines}
            onOrder={onOrder}
            onShown={onShown}
          />
        )}
      </ChangingRecords>
    </TrailContext>
  )
}

/** From so many milliseconds on a list is slow. */
const slowFrom = 1500

/** That a list took long, and what makes it quick. */
function Slow({ list, took, use }: Pick<Props, 'list' | 'use'> & { readonly took: number | undefined }) {
  const { book } = useRecords()
  if (took === undefined || took < slowFrom || list.ready || !sayReady(book, list)) return null
  return (
    <p className="px-6 pb-2 text-[13px] text-brass max-md:px-3">
      This took {(took / 1000).toFixed(1)} seconds
      {use && use.runs > 1 && `, and was asked ${counted(use.runs, 'time')} this month`}. Kept for everybody and “kept
      ready”, it may be quicker from the next opening of the book on.
    </p>
  )
}

/** The records as they are found, in groups where the list has some. */
function Found({ table, list, read, given, lines, onOrder, onShown }: Omit<Props, 'count' | 'use'>) {
  const { base } = useRecords()
  const isGrouped = read.groups.length > 0
  const foot = useGroups(base, list, given, { by: [], enabled: isGrouped || read.figures.length > 0 })
  const total = foot.data?.groups[0]
  const all = lines.data?.pages.flatMap((page) => page.lines) ?? []
  if (isGrouped) {
    const shared = { table, list, read, given }
    return (
      <>
        <ShownBar list={list} read={read} onChange={onShown} />
        {read.shown ? (
          <ShownGroups {...shared} shown={read.shown} onShown={onShown} />
        ) : (
          <GroupedGrid {...shared} all={total} onOrder={onOrder} />
        )}
      </>
    )
  }
  return (
    <ListGrid
      table={table}
      columns={read.columns}
      lines={all}
      order={list.order}
      onOrder={onOrder}
      onEnd={() => lines.hasNextPage && !lines.isFetchingNextPage && void lines.fetchNextPage()}
      foot={read.figures.length > 0 && <AllOfThem columns={read.columns} figures={read.figures} line={total} />}
    />
  )
}
