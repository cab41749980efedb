'use client'

import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import Link from 'next/link'
import { usePathname, useRouter } from 'next/navigation'
import { createContext, type ReactNode, use, useEffect, useMemo, useState } from 'react'
import type { Book } from '@/core/book'
import { deskTables } from '@/core/records'
import { plural } from '@/core/words'
import { classNames } from '@/ui/kit'
import { FindDialog } from '@/ui/shell/find-dialog'
import { DeskBar, type DeskPeople } from './desk-bar'
import { ShortcutSheet } from './shortcut-sheet'

interface Desk extends DeskPeople {
  /** The design as it was opened: what the records follow. */
  readonly book: Book
  readonly mayChange: boolean
  readonly base: string
}

const DeskContext = createContext<Desk | undefined>(undefined)

export function useDesk(): Desk {
  const desk = use(DeskContext)
  if (!desk) throw new Error('Expected to be at the Desk.')
  return desk
}

/** What every page of the Desk shares: the bars, finding, shortcuts and the cache of rows. */
export function DeskRoom({ children, ...people }: DeskPeople & { readonly book: Book; readonly children: ReactNode }) {
  const [queries] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 5000 } } }))
  const [finding, setFinding] = useState(false)
  const [helping, setHelping] = useState(false)
  const desk = useMemo(
    () => ({ ...people, mayChange: people.role !== 'reader', base: `/books/${people.id}/desk` }),
    [people],
  )

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault()
        setFinding(true)
      }
      const typing =
        event.target instanceof HTMLElement && ['INPUT', 'TEXTAREA', 'SELECT'].includes(event.target.tagName)
      if (event.key === '?' && !typing) setHelping(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])

  return (
    <QueryClientProvider client={queries}>
      <DeskContext value={desk}>
        <div className="flex h-full min-h-0 flex-col">
          <DeskBar {...people} onFind={() => setFinding(true)} onShortcuts={() => setHelping(true)} />
          <TableTabs />
          {children}
        </div>
        <Finder open={finding} onClose={() => setFinding(false)} />
        <ShortcutSheet open={helping} onClose={() => setHelping(false)} />
      </DeskContext>
    </QueryClientProvider>
  )
}

function TableTabs() {
  const { book, base } = useDesk()
  const path = usePathname()
  const { main, lists } = deskTables(book)
  return (
    <nav
      aria-label="Tables"
      className="flex h-[54px] shrink-0 items-center gap-1 overflow-x-auto border-b border-ash-3 bg-ash-1 px-6 max-md:px-3"
    >
      <Tab href={base} here={path === base}>
        All tables
      </Tab>
      {[...main, ...lists].map((table) => (
        <Tab
          key={table.id}
          href={`${base}/${table.id}`}
          here={path.startsWith(`${base}/${table.id}/`) || path === `${base}/${table.id}`}
        >
          {plural(table.name)}
        </Tab>
      ))}
    </nav>
  )
}

const Tab = ({
  href,
  here,
  children,
}: {
  readonly href: string
  readonly here: boolean
  readonly children: ReactNode
}) => (
  <Link
    href={href}
    aria-current={here ? 'page' : undefined}
    className={classNames(
      'flex min-h-[34px] items-center rounded-md px-3 whitespace-nowrap',
      here ? 'border-b-[3px] border-spruce bg-paper font-bold' : 'text-ash-6 hover:text-ink',
    )}
  >
    {children}
  </Link>
)

function Finder({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const { book, base, mayChange } = useDesk()
  const router = useRouter()
  const { main, lists } = deskTables(book)
  const tables = [...main, ...lists]
  const go = (to: string) => () => router.push(to)
  return (
    <FindDialog
      open={open}
      onClose={onClose}
      placeholder="A table, or something to do"
      nothing="Nothing at this Desk goes by that name."
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
          head: 'Lists',
          rows: tables.map((table) => ({ id: table.id, words: plural(table.name), pick: go(`${base}/${table.id}`) })),
        },
      ]}
    />
  )
}
