'use client'

import { Download, Grid3x3, Plus } from 'lucide-react'
import Link from 'next/link'
import { useRouter, useSearchParams } from 'next/navigation'
import { useRef, useState } from 'react'
import { findField, tableOf, fieldWith } from '@/core/book'
import { conditionsSource } from '@/core/rules'
import { aOrAn, counted, inSentence, plural } from '@/core/words'
import { Button, buttonLook, Empty, TextBox } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useRecords } from '../records-context'
import { Refused, rowsQuery, useRows } from '../rows-query'
import { useSettled } from '../use-settled'
import { ColumnChooser, useColumns } from './column-chooser'
import { type Filter, FilterButton, FilterChips } from './list-filter'
import { RowGrid } from './row-grid'
import { useOrder } from './use-order'

/** All records of a table: found, sorted, with chosen columns, as many as there are. */
export function TableList({ tableId }: { readonly tableId: string }) {
  const { id, book, base, mayChange } = useRecords()
  const router = useRouter()
  const query = useSearchParams()
  const table = tableOf(book, tableId)
  const [typed, setTyped] = useState('')
  const [sort, setSort] = useOrder(id, table)
  const [filter, setFilter] = useState<Filter>([])
  const [columns, setColumns] = useColumns(table)
  const box = useRef<HTMLInputElement>(null)
  const [link, ref] = [query.get('link'), query.get('ref')]
  const linked = link && ref && findField(book, link) ? { field: link, ref } : undefined
  const where = conditionsSource(book, table, filter)
  const wish = { table: tableId, find: useSettled(typed), sort, linked, where }
  const rows = useRows(base, wish)
  const all = rows.data?.pages.flatMap((page) => page.rows) ?? []
  const count = rows.data?.pages[0]?.count ?? 0
  const noun = inSentence(table.name)

  useKeys(
    { 'Alt N': mayChange ? () => router.push(`${base}/${tableId}/new`) : undefined },
    { '/': () => box.current?.focus() },
  )

  return (
    <Room bare>
      <div className="flex h-full flex-col">
        <div className="flex flex-wrap items-center justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
          <div className="flex items-baseline gap-3">
            <h1 className="text-[22px] leading-tight">{plural(table.name)}</h1>
            <p role="status" className="text-[13px] text-ash-6">
              {rows.isPlaceholderData && 'Looking …'}
              {rows.isSuccess &&
                !rows.isPlaceholderData &&
                (wish.find || linked || where
                  ? `${all.length}${rows.hasNextPage ? ' or more' : ''} found among ${count.toLocaleString('en-GB')}`
                  : counted(count, 'record'))}
            </p>
          </div>
          <div className="flex flex-wrap items-center gap-2">
            <TextBox
              ref={box}
              type="search"
              aria-label={`Find ${aOrAn(noun)}`}
              placeholder={`Find ${aOrAn(noun)}…  /`}
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) =>
                event.key === 'Enter' &&
                all[0] &&
                router.push(`${base}/${tableId}/record/${encodeURIComponent(all[0].ref)}`)
              }
              className="!w-[230px]"
            />
            <FilterButton book={book} table={table} filter={filter} onChange={setFilter} />
            <ColumnChooser table={table} columns={columns} onChoose={setColumns} />
            <a
              href={`${base}/${tableId}/csv?${rowsQuery({ ...wish, fields: columns })}`}
              download
              className="inline-flex min-h-9 items-center gap-2 rounded-md border border-ash-4 bg-paper px-3.5 font-semibold hover:bg-ash-2"
            >
              <Download size={15} aria-hidden /> CSV
            </a>
            {mayChange && (
              <>
                <Link
                  href={`${base}/${tableId}/grid?${rowsQuery({ ...wish, find: typed })}`}
                  className={buttonLook()}
                  title="Type into the records as cells, and paste rows from a spreadsheet"
                >
                  <Grid3x3 size={15} aria-hidden /> Grid
                </Link>
                <Button look="main" onClick={() => router.push(`${base}/${tableId}/new`)}>
                  <Plus size={16} aria-hidden /> New {noun}
                </Button>
              </>
            )}
          </div>
        </div>
        <FilterChips book={book} table={table} filter={filter} onChange={setFilter} />
        {linked && (
          <p className="px-6 pb-3 text-ash-6">
            Only those linked to one {inSentence(fieldWith(book, linked.field).field.name)}.{' '}
            <Link href={`${base}/${tableId}`} className="font-semibold text-spruce underline underline-offset-2">
              Show all
            </Link>
          </p>
        )}
        {rows.isError && (
          <div className="px-6">
            <Empty
              head="The list could not be read"
              action={<Button onClick={() => void rows.refetch()}>Try again</Button>}
            >
              {rows.error instanceof Refused ? rows.error.message : 'The connection may have been lost for a moment.'}
            </Empty>
          </div>
        )}
        {rows.isSuccess && all.length === 0 && (
          <div className="px-6">
            {wish.find ? (
              <Empty head={`No ${noun} has “${wish.find}” in it`}>
                {where ? 'Try fewer letters, or remove a condition.' : 'Try fewer letters, or another word.'}
              </Empty>
            ) : where ? (
              <Empty head={`No ${noun} is like that`}>Change or remove a condition.</Empty>
            ) : (
              <Empty
                head={`No ${plural(noun)} yet`}
                action={
                  mayChange && (
                    <Button look="main" onClick={() => router.push(`${base}/${tableId}/new`)}>
                      Enter the first one
                    </Button>
                  )
                }
              >
                {table.describe}
              </Empty>
            )}
          </div>
        )}
        {(all.length > 0 || rows.isPending) && (
          <RowGrid
            table={table}
            columns={columns}
            rows={all}
            loading={rows.isPending}
            sort={sort}
            onSort={setSort}
            onEnd={() => rows.hasNextPage && !rows.isFetchingNextPage && void rows.fetchNextPage()}
          />
        )}
      </div>
    </Room>
  )
}
