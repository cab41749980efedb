'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { fieldOf, tableOf } from '@/core/book'
import { showValue } from '@/core/kinds'
import type { ListRow } from '@/core/records'
import { inSentence } from '@/core/words'
import { classNames, TextBox } from '@/ui/kit'
import { useKeys } from '@/ui/use-keys'
import { useDesk } from '../desk-context'
import { type RowsPage, rowsQuery, useRows } from '../rows-query'
import { useSettled } from '../use-settled'

/** The neighbours of a record, newest first, and the box that finds another. */
export function RecordRail({ tableId, row: current }: { readonly tableId: string; readonly row: ListRow | undefined }) {
  const { book, base } = useDesk()
  const router = useRouter()
  const table = tableOf(book, tableId)
  const [typed, setTyped] = useState('')
  const box = useRef<HTMLInputElement>(null)
  const key = table.key[0]
  const sort = key ? { field: key, down: fieldOf(table, key).kind === 'running' } : undefined
  // The record's words come with every row, whatever fields are asked for.
  const second = table.fields.find((field) => field.kind === 'date' || field.kind === 'dateTime')
  // Where the key is part of what records are known by, the first link says more in the second line.
  const third =
    key && table.knownBy.includes(key)
      ? table.fields.find((field) => field.kind === 'link' && field.id !== key)
      : undefined
  const rows = useRows(base, {
    table: tableId,
    find: useSettled(typed),
    sort,
    fields: [key, second?.id, third?.id].filter((id) => id !== undefined),
  })
  const all = rows.data?.pages.flatMap((page) => page.rows) ?? []
  const here = current?.ref
  const at = all.findIndex((row) => row.ref === here)
  const go = (row: ListRow | undefined) =>
    row && router.push(`${base}/${tableId}/record/${encodeURIComponent(row.ref)}`)

  /** The record before or after this one: in the rail if it stands there, else asked for by key. */
  const neighbour = async (after: boolean): Promise<ListRow | undefined> => {
    const inRail = at >= 0 ? all[at + (after ? 1 : -1)] : undefined
    if (inRail || !current || !sort || typed) return inRail
    const query = rowsQuery({ table: tableId, find: '', sort: { ...sort, down: after === sort.down } })
    query.set('after', JSON.stringify(current.cursor))
    query.set('limit', '1')
    const answer = await fetch(`${base}/${tableId}/rows?${query}`)
    return answer.ok ? ((await answer.json()) as RowsPage).rows[0] : undefined
  }

  useKeys(
    {
      'Alt ArrowUp': () => void neighbour(false).then(go),
      'Alt ArrowDown': () => void neighbour(true).then(go),
    },
    { '/': () => box.current?.focus() },
  )

  return (
    <>
      <div className="px-3.5 pb-2.5">
        <TextBox
          ref={box}
          type="search"
          aria-label={`Find a ${inSentence(table.name)}`}
          placeholder={`Find a ${inSentence(table.name)}…`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && go(all[0])}
        />
      </div>
      <ul>
        {all.map((row) => (
          <li key={row.ref}>
            <button
              type="button"
              aria-current={row.ref === here ? 'true' : undefined}
              onClick={() => go(row)}
              className={classNames(
                'flex flex-col py-1.5 pr-3 text-left focus-visible:-outline-offset-2',
                row.ref === here
                  ? 'ml-3.5 w-[calc(100%-14px)] rounded-l-lg border-l-[3px] border-spruce bg-paper pl-[9px] font-bold'
                  : 'w-full pl-[26px] hover:bg-ash-3',
              )}
            >
              <span className="flex w-full items-baseline justify-between gap-2">
                <span className="truncate font-mono text-[13px]">{row.ref.length <= 16 ? row.ref : row.label}</span>
                {second && (
                  <span className="text-xs font-normal whitespace-nowrap text-ash-6">
                    {showValue(row.values[second.id] ?? null, second, book.look).replace(/ \d{4}.*$/, '')}
                  </span>
                )}
              </span>
              {row.label !== row.ref && row.ref.length <= 16 && (
                <span className="w-full truncate text-[13px] font-normal">
                  {(third && row.labels[third.id]) || row.label}
                </span>
              )}
            </button>
          </li>
        ))}
      </ul>
      {rows.isSuccess && all.length === 0 && (
        <p className="px-[26px] text-[13px] text-ash-6">{typed ? 'Nothing found.' : 'None yet.'}</p>
      )}
      {rows.hasNextPage && (
        <button
          type="button"
          onClick={() => void rows.fetchNextPage()}
          className="min-h-9 w-full pl-[26px] text-left text-[13px] font-semibold text-spruce underline underline-offset-2 focus-visible:-outline-offset-2"
        >
          Show more
        </button>
      )}
    </>
  )
}
