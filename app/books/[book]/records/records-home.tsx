'use client'

import dynamic from 'next/dynamic'
import Link from 'next/link'
import type { Table } from '@/core/book'
import { shownTables } from '@/core/records'
import { counted, inSentence, plural } from '@/core/words'
import { Room } from '@/ui/shell/room'
import { useRecords } from './records-context'

// Asked of the records once the page stands.
const PinnedLists = dynamic(() => import('./pinned-lists').then((module) => module.PinnedLists), { ssr: false })

/** Where staff arrive: every table with how many records it holds, and the way to enter one. */
export function RecordsHome({ counts }: { readonly counts: Readonly<Record<string, number>> }) {
  const { book } = useRecords()
  const { main, lists } = shownTables(book)
  return (
    <Room>
      <h1 className="mb-4 text-[22px] leading-tight">{book.name}</h1>
      {book.lists.some(({ pinned }) => pinned) && <PinnedLists />}
      <Cards tables={main} counts={counts} />
      {lists.length > 0 && (
        <>
          <h2 className="mt-7 mb-3 text-[13px] text-ash-6">Word lists</h2>
          <Cards tables={lists} counts={counts} />
        </>
      )}
    </Room>
  )
}

function Cards({
  tables,
  counts,
}: {
  readonly tables: readonly Table[]
  readonly counts: Readonly<Record<string, number>>
}) {
  const { base, mayChange } = useRecords()
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-3">
      {tables.map((table) => (
        <li key={table.id} className="flex flex-col rounded-lg border border-ash-3 bg-paper">
          <Link href={`${base}/${table.id}`} className="flex flex-1 flex-col gap-1 rounded-t-lg p-4 hover:bg-ash-1">
            <span className="text-base font-bold">{plural(table.name)}</span>
            {table.describe && <span className="text-[13px] text-ash-6">{table.describe}</span>}
          </Link>
          <span className="flex min-h-9 items-center justify-between border-t border-ash-3 px-4 text-[13px]">
            <span className="text-ash-6">{counted(counts[table.id] ?? 0, 'record')}</span>
            {mayChange && (
              <Link
                href={`${base}/${table.id}/new`}
                className="inline-flex min-h-7 items-center font-semibold text-spruce underline underline-offset-2"
              >
                New {inSentence(table.name)}
              </Link>
            )}
          </span>
        </li>
      ))}
    </ul>
  )
}
