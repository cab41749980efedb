'use client'

import Link from 'next/link'
import type { List } from '@/core/book'
import { foldersOf, inFolder, nameOf, sayList } from '@/core/lists'
import { counted } from '@/core/words'
import type { ListUse } from '@/server/books'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../records-context'
import { TableMenu } from '../table-menu'

/** How lists were used this month, by their ids. */
type Uses = Readonly<Record<string, ListUse>>

/** From so many milliseconds on average a list is slow. */
const slowFrom = 1000

/** That a list is asked often and takes long, and what may help; nothing where it is quick, or kept ready already. */
function saySlow({ ready, owner }: List, use: ListUse | undefined): string | undefined {
  if (!use || use.took < slowFrom || ready) return undefined
  const help = owner === undefined ? 'Kept ready' : 'Kept for everybody, and ready'
  return `Asked ${counted(use.runs, 'time')} this month, ${(use.took / 1000).toFixed(1)} seconds on average. ${help}, it may be quicker.`
}

/** All lists that somebody may see, and the way to a new one. */
export function ListsIndex({ uses }: { readonly uses: Uses }) {
  const { book } = useRecords()
  const shared = book.lists.filter(({ owner }) => owner === undefined)
  const own = book.lists.filter(({ owner }) => owner !== undefined)
  return (
    <Room>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[22px] leading-tight">Lists</h1>
        <NewMenu />
      </div>
      {book.lists.length === 0 && (
        <Empty head="No list is kept yet" action={<NewMenu />}>
          A list answers a question about the records: which ones, what of them, and in which order. Choose what it is a
          list of; everything else is put together from there.
        </Empty>
      )}
      {shared.length > 0 && <Some head="Everybody’s" lists={shared} uses={uses} />}
      {own.length > 0 && <Some head="Your own" lists={own} uses={uses} />}
    </Room>
  )
}

function Some({ head, lists, uses }: { readonly head: string; readonly lists: readonly List[]; readonly uses: Uses }) {
  return (
    <section className="mb-7">
      <h2 className="mb-2 text-[13px] text-ash-6">{head}</h2>
      <Rows lists={inFolder(lists, undefined)} uses={uses} />
      {foldersOf(lists).map((folder) => (
        <details key={folder} open className="mt-3">
          <summary className="cursor-pointer rounded-sm py-1 font-semibold">
            {folder} <span className="font-normal text-ash-6">{inFolder(lists, folder).length}</span>
          </summary>
          <div className="pl-4">
            <Rows lists={inFolder(lists, folder)} uses={uses} />
          </div>
        </details>
      ))}
    </section>
  )
}

function Rows({ lists, uses }: { readonly lists: readonly List[]; readonly uses: Uses }) {
  const { book, base } = useRecords()
  if (lists.length === 0) return null
  const sorted = [...lists].sort((a, b) => nameOf(book, a).localeCompare(nameOf(book, b)))
  return (
    <ul className="border-t border-ash-3">
      {sorted.map((list) => (
        <li key={list.id} className="border-b border-ash-3">
          <Link href={`${base}/lists/${list.id}`} className="block px-2 py-2.5 hover:bg-ash-1">
            <span className="block font-semibold">{nameOf(book, list)}</span>
            {list.describe && <span className="block text-[13px]">{list.describe}</span>}
            <span className="block text-[13px] text-ash-6">{sayList(book, list)}</span>
            {saySlow(list, uses[list.id]) && (
              <span className="block text-[13px] text-brass">{saySlow(list, uses[list.id])}</span>
            )}
          </Link>
        </li>
      ))}
    </ul>
  )
}

/** What the new list is of. */
function NewMenu() {
  const { base } = useRecords()
  return <TableMenu name="New list" each="Each" href={(table) => `${base}/lists/new?of=${table}`} />
}
