'use client'

import { useQueryClient } from '@tanstack/react-query'
import { ChevronDown, ChevronUp } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import { type Book, type Field, fieldOf, type Table, tableOf } from '@/core/book'
import { showValue } from '@/core/kinds'
import type { ListRow } from '@/core/records'
import { aOrAn, inSentence } from '@/core/words'
import { classNames, IconButton, TextBox } from '@/ui/kit'
import { useKeys } from '@/ui/use-keys'
import { useRecords } from '../records-context'
import { type RowsPage, useRows } from '../rows-query'
import { useSettled } from '../use-settled'

/** So many records stand above the one at hand, so that one sees where it is. */
const above = 5

/** The neighbours of a record, newest first, and the box that finds another. */
export function RecordRail({ tableId, row: current }: { readonly tableId: string; readonly row: ListRow | undefined }) {
  const { book, base } = useRecords()
  const router = useRouter()
  const table = tableOf(book, tableId)
  const noun = inSentence(table.name)
  const [typed, setTyped] = useState('')
  const find = useSettled(typed)
  const box = useRef<HTMLInputElement>(null)
  const { key, second, third } = shownFields(table)
  const down = key !== undefined && fieldOf(table, key).kind === 'running'
  const shown = {
    table: tableId,
    fields: [key, second?.id, third?.id].filter((id) => id !== undefined),
  }
  const sorted = (way: boolean) => (key ? { field: key, down: way } : undefined)
  const isOrdered = key !== undefined && fieldOf(table, key).kind !== 'link'
  const anchor = useAnchor(`${base} ${tableId}`, tableId, isOrdered ? current : undefined)
  // Round the record at hand, unless one looks for another.
  const here = find ? undefined : anchor?.ref === current?.ref ? current : anchor
  const from = here?.cursor
  const after = useRows(base, { ...shown, find, sort: sorted(down), from })
  const before = useRows(base, { ...shown, find: '', sort: sorted(!down), from, limit: above }, here !== undefined)
  const rowsOf = (rows: typeof after) =>
    rows.isPlaceholderData && here ? [] : (rows.data?.pages.flatMap((page) => page.rows) ?? [])
  const later = rowsOf(after)
  const all = here ? [...rowsOf(before).toReversed(), here, ...later] : later
  const go = (row: ListRow | undefined) =>
    row && router.push(`${base}/${tableId}/record/${encodeURIComponent(row.ref)}`)
  const at = all.findIndex((row) => row.ref === current?.ref)
  const [previous, next] = at < 0 ? [] : [all[at - 1], all[at + 1]]
  // Asked for before the neighbours are here, the way is gone as soon as they are.
  const owed = useRef<'previous' | 'next'>(undefined)
  const step = (to: 'previous' | 'next') => {
    const row = to === 'next' ? next : previous
    owed.current = row ? undefined : to
    go(row)
  }
  useEffect(() => {
    if (owed.current && (owed.current === 'next' ? next : previous)) step(owed.current)
  })
  const list = useRef<HTMLUListElement>(null)
  useEffect(() => {
    list.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' })
  }, [at])
  useEffect(() => {
    if (at === 0 && before.hasNextPage) void before.fetchNextPage()
    if (at >= 0 && at === all.length - 1 && after.hasNextPage) void after.fetchNextPage()
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at, all.length])

  useKeys(
    { 'Alt ArrowUp': () => step('previous'), 'Alt ArrowDown': () => step('next') },
    { '/': () => box.current?.focus() },
  )

  return (
    <>
      <div className="flex flex-wrap items-center gap-1 px-3.5 pb-2.5">
        <TextBox
          ref={box}
          type="search"
          aria-label={`Find ${aOrAn(noun)}`}
          placeholder={`Find ${aOrAn(noun)}…`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && go(all[0])}
          className="min-w-24 flex-1"
        />
        {at >= 0 && (
          <>
            <IconButton
              label="The one before (Alt ↑)"
              disabled={!previous}
              className="flex-none"
              onClick={() => go(previous)}
            >
              <ChevronUp size={16} aria-hidden />
            </IconButton>
            <IconButton label="The next one (Alt ↓)" disabled={!next} className="flex-none" onClick={() => go(next)}>
              <ChevronDown size={16} aria-hidden />
            </IconButton>
          </>
        )}
      </div>
      {here && before.hasNextPage && <More onMore={() => void before.fetchNextPage()}>Show more above</More>}
      <ul ref={list}>
        {all.map((row) => (
          <li key={row.ref}>
            <button
              type="button"
              aria-current={row.ref === current?.ref ? 'true' : undefined}
              onClick={() => go(row)}
              className={classNames(
                'flex flex-col py-1.5 pr-3 text-left focus-visible:-outline-offset-2',
                row.ref === current?.ref
                  ? 'ml-3.5 w-[calc(100%-14px)] rounded-l-lg border-l-[3px] border-spruce bg-paper pl-[9px] font-bold'
                  : 'w-full pl-[26px] hover:bg-ash-3',
              )}
            >
              <RailWords book={book} row={row} second={second} third={third} />
            </button>
          </li>
        ))}
      </ul>
      {after.isSuccess && all.length === 0 && (
        <p className="px-[26px] text-[13px] text-ash-6">{find ? 'Nothing found.' : 'None yet.'}</p>
      )}
      {after.hasNextPage && <More onMore={() => void after.fetchNextPage()}>Show more</More>}
    </>
  )
}

// The rail stays as it is while one goes from record to record in it.
const anchors = new Map<string, ListRow>()

/** The record round which the rail stands: the one at hand, or an earlier one among whose neighbours it is. */
function useAnchor(place: string, tableId: string, current: ListRow | undefined): ListRow | undefined {
  const queries = useQueryClient()
  const [anchor] = useState(() => {
    const last = anchors.get(place)
    const known = queries.getQueriesData<{ readonly pages: readonly RowsPage[] }>({ queryKey: ['rows', tableId] })
    const isNear =
      last &&
      known.some(
        ([name, data]) =>
          JSON.stringify(name).includes(JSON.stringify(last.cursor)) &&
          data?.pages.some((page) => page.rows.some((row) => row.ref === current?.ref)),
      )
    const wanted = current && (isNear ? last : current)
    if (wanted) anchors.set(place, wanted)
    return wanted
  })
  return anchor
}

/** What stands of each record in the rail; its own words come with every row, whatever fields are asked for. */
function shownFields(table: Table) {
  const key = table.key[0]
  const second = table.fields.find((field) => field.kind === 'date' || field.kind === 'dateTime')
  // Where the key is part of what records are shown as, the first link says more in the second line.
  const third =
    key && table.knownBy.includes(key)
      ? table.fields.find((field) => field.kind === 'link' && field.id !== key)
      : undefined
  return { key, second, third }
}

interface RailWordsProps {
  readonly book: Book
  readonly row: ListRow
  readonly second: Field | undefined
  readonly third: Field | undefined
}

function RailWords({ book, row, second, third }: RailWordsProps) {
  const isShort = row.ref.length <= 16
  return (
    <>
      <span className="flex w-full items-baseline justify-between gap-2">
        <span className="truncate font-mono text-[13px]">{isShort ? row.ref : row.label}</span>
        {second && (
          <span className="text-xs font-normal whitespace-nowrap text-ash-6">
            {showValue(row.values[second.id] ?? null, second, book.look).replace(/ \d{4}.*$/, '')}
          </span>
        )}
      </span>
      {row.label !== row.ref && isShort && (
        <span className="w-full truncate text-[13px] font-normal">{(third && row.labels[third.id]) || row.label}</span>
      )}
    </>
  )
}

const More = ({ onMore, children }: { readonly onMore: () => void; readonly children: string }) => (
  <button
    type="button"
    onClick={onMore}
    className="min-h-9 w-full pl-[26px] text-left text-[13px] font-semibold text-spruce underline underline-offset-2 focus-visible:-outline-offset-2"
  >
    {children}
  </button>
)
