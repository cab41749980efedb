'use client'

import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import Link from 'next/link'
import dynamic from 'next/dynamic'
import { usePathname, useRouter } from 'next/navigation'
import { type ReactNode, useMemo, useState } from 'react'
import type { Table } from '@/core/book'
import { shownTables, type ListRow } from '@/core/records'
import { nameOf } from '@/core/lists'
import { inSentence, plural } from '@/core/words'
import { classNames, Menu, MenuLink } from '@/ui/kit'
import { DryBanner } from './dry-banner'
import { FindDialog } from '@/ui/shell/find-dialog'
import { useKeys } from '@/ui/use-keys'
import { RecordsBar, type RecordsPeople } from './records-bar'
import { RecordsContext, type LinkedWish, type RecordsSide, useRecords } from './records-context'
import { TrayLink } from './tray/tray-link'

/** Comes when it is first wanted: lists do without the form. */
const NewLinked = dynamic(() => import('./form/new-linked').then((room) => room.NewLinked), { ssr: false })

/** Looked at now and then. */
const ShortcutSheet = dynamic(() => import('./shortcut-sheet').then((room) => room.ShortcutSheet), { ssr: false })

interface Wish extends LinkedWish {
  readonly answer: (row: ListRow | undefined) => void
}

/** What every page of Records shares: the bars, finding, shortcuts and the cache of rows. */
export function RecordsRoom({
  children,
  ...people
}: RecordsPeople & Pick<RecordsSide, 'book' | 'tray'> & { readonly children: ReactNode }) {
  const [queries] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 5000 } } }))
  const [finding, setFinding] = useState(false)
  const [helping, setHelping] = useState(false)
  const [wishes, setWishes] = useState<readonly Wish[]>([])
  const shared = useMemo(
    () => ({
      ...people,
      mayChange: people.role !== 'reader',
      base: `/books/${people.id}/records`,
      addLinked: (wish: LinkedWish) =>
        new Promise<ListRow | undefined>((answer) => setWishes((before) => [...before, { ...wish, answer }])),
    }),
    [people],
  )

  useKeys({ 'Ctrl K': () => setFinding(true) }, { '?': () => setHelping(true) })

  return (
    <QueryClientProvider client={queries}>
      <RecordsContext value={shared}>
        <div className="flex h-full min-h-0 flex-col">
          <RecordsBar
            {...people}
            beside={<TrayLink />}
            onFind={() => setFinding(true)}
            onShortcuts={() => setHelping(true)}
          />
          {people.dryOf && <DryBanner id={people.id} of={people.dryOf} />}
          <TableTabs />
          {children}
        </div>
        <Finder open={finding} onClose={() => setFinding(false)} />
        {wishes.map((wish, at) => (
          <NewLinked
            key={`${wish.table}-${at}`}
            tableId={wish.table}
            words={wish.words}
            onEnd={(row) => {
              setWishes(wishes.slice(0, at))
              wish.answer(row)
            }}
          />
        ))}
        {helping && <ShortcutSheet open onClose={() => setHelping(false)} />}
      </RecordsContext>
    </QueryClientProvider>
  )
}

function TableTabs() {
  const { book, base } = useRecords()
  const path = usePathname()
  const { main, lists } = shownTables(book)
  const isAt = (table: string) => path === `${base}/${table}` || path.startsWith(`${base}/${table}/`)
  return (
    <nav
      aria-label="Tables"
      className="flex h-[54px] shrink-0 items-center gap-0.5 overflow-x-auto border-b border-ash-3 bg-ash-1 px-4 max-md:px-3"
    >
      <Tab href={base} here={path === base}>
        All tables
      </Tab>
      <Tab href={`${base}/lists`} here={isAt('lists')}>
        Lists
      </Tab>
      <Tab href={`${base}/reports`} here={isAt('reports')}>
        Reports
      </Tab>
      <Tab href={`${base}/documents`} here={isAt('documents')}>
        Documents
      </Tab>
      <span aria-hidden className="mx-1 h-6 shrink-0 border-l border-ash-4" />
      {main.map((table) => (
        <Tab key={table.id} href={`${base}/${table.id}`} here={isAt(table.id)}>
          {plural(table.name)}
        </Tab>
      ))}
      {lists.length > 0 && <ListsMenu lists={lists} here={lists.find((table) => isAt(table.id))} />}
    </nav>
  )
}

const tabLook = (here: boolean) =>
  classNames(
    'flex min-h-[34px] items-center gap-1.5 rounded-md px-2 whitespace-nowrap',
    here ? 'border-b-[3px] border-spruce bg-paper font-bold' : 'text-ash-6 hover:text-ink',
  )

const Tab = ({
  href,
  here,
  children,
}: {
  readonly href: string
  readonly here: boolean
  readonly children: ReactNode
}) => (
  <Link href={href} aria-current={here ? 'page' : undefined} className={tabLook(here)}>
    {children}
  </Link>
)

/** Word lists are seldom gone to by themselves, so they stand together behind one word. */
function ListsMenu({ lists, here }: { readonly lists: readonly Table[]; readonly here: Table | undefined }) {
  const { base } = useRecords()
  return (
    <Menu
      trigger={
        <button type="button" className={tabLook(here !== undefined)}>
          {here ? plural(here.name) : 'Word lists'} <span aria-hidden>▾</span>
        </button>
      }
    >
      {lists.map((table) => (
        <MenuLink key={table.id} href={`${base}/${table.id}`}>
          {plural(table.name)}
        </MenuLink>
      ))}
    </Menu>
  )
}

function Finder({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const { book, base, mayChange } = useRecords()
  const router = useRouter()
  const { main, lists } = shownTables(book)
  const tables = [...main, ...lists]
  const go = (to: string) => () => router.push(to)
  return (
    <FindDialog
      open={open}
      onClose={onClose}
      placeholder="A table, or something to do"
      nothing="Nothing here has that name."
      groups={[
        ...(mayChange
          ? [
              {
                head: 'Do',
                rows: tables.map((table) => ({
                  id: `new-${table.id}`,
                  words: `New ${table.name.toLowerCase()}`,
                  pick: go(`${base}/${table.id}/new`),
                })),
              },
            ]
          : []),
        {
          head: 'Tables',
          rows: tables.map((table) => ({ id: table.id, words: plural(table.name), pick: go(`${base}/${table.id}`) })),
        },
        {
          head: 'Lists',
          rows: [
            ...book.lists.map((list) => ({
              id: list.id,
              words: nameOf(book, list),
              pick: go(`${base}/lists/${list.id}`),
            })),
            ...tables.map((table) => ({
              id: `list-${table.id}`,
              words: `New list of ${inSentence(plural(table.name))}`,
              pick: go(`${base}/lists/new?of=${table.id}`),
            })),
          ],
        },
        {
          head: 'On paper',
          rows: [
            ...book.reports.flatMap((report) => {
              const list = book.lists.find(({ id }) => id === report.list)
              return list
                ? [
                    {
                      id: report.id,
                      words: report.name ?? nameOf(book, list),
                      pick: go(`${base}/reports/${report.id}`),
                    },
                  ]
                : []
            }),
            ...book.templates.map(({ id, name }) => ({ id, words: name, pick: go(`${base}/documents/${id}`) })),
            { id: 'handed-out', words: 'What was handed out', pick: go(`${base}/documents/handed`) },
          ],
        },
      ]}
    />
  )
}
