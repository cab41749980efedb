'use client'

import { usePathname, useRouter } from 'next/navigation'
import { type ReactNode, useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { toast } from 'sonner'
import { AccountBar } from '@/app/account-bar'
import type { Book, Edit } from '@/core/book'
import { chaptersOf } from '@/core/chapters'
import { coverageOf } from '@/core/needs'
import { wordProblem } from '@/core/words'
import { Thread } from '@/ui/shell/thread'
import { useKeys } from '@/ui/use-keys'
import { useKept } from '@/ui/use-kept'
import { useLeaving } from '@/ui/use-leaving'
import type { HistoryEntry } from '@/server/books'
import { backTo, redoEdit, saveEdit, undoEdit } from './actions'
import type { ChangeSince } from './change-since'
import { sayEntry } from './history/say-entry'
import { FindOrDo } from './find-or-do'
import { BookStore } from './store'
import { useProposals } from './use-proposals'
import { type Opened, type Workshop, WorkshopContext } from './workshop-context'

interface Props {
  readonly id: string
  readonly book: Book
  readonly revision: number
  readonly opened: Opened
  readonly account: string
  readonly books: readonly { readonly id: string; readonly name: string }[]
  readonly children: ReactNode
}

/** Everything the chapters share: the book, its edits, the bars and the thread. */
export function WorkshopRoom({
  id,
  book: first,
  revision: firstRevision,
  opened: firstOpened,
  account,
  books,
  children,
}: Props) {
  const path = usePathname()
  const router = useRouter()
  const [finding, setFinding] = useState(false)
  const [opened, setOpened] = useState(firstOpened)
  const [store] = useState(
    () =>
      new BookStore(first, firstRevision, {
        save: (message) => saveEdit(id, message),
        undo: (message) => undoEdit(id, message),
        redo: (message) => redoEdit(id, message),
        back: (message) => backTo(id, message),
        whole: () => newest(id),
        // While an edit is tried again and again, what is in its way is said once.
        refused: (problem) => toast(wordProblem(problem), { id: problem.kind }),
        said: (words) => toast(words),
      }),
  )
  const state = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot)
  useOthersEdits(id, store)

  const edit = useCallback(
    (wish: Edit) => {
      const made = store.edit(wish)
      if (!made.ok) toast(wordProblem(made.problem))
      return made.ok
    },
    [store],
  )
  const proposals = useProposals(state.book)
  const coverage = useMemo(() => proposals && coverageOf(state.book, proposals), [state.book, proposals])
  const workshop = useMemo<Workshop>(
    () => ({
      id,
      book: state.book,
      revision: state.revision,
      opened,
      proposals,
      coverage,
      edit,
      undo: () => void store.undo(),
      redo: () => void store.redo(),
      backTo: store.backTo,
      setOpened,
    }),
    [id, state.book, state.revision, opened, proposals, coverage, edit, store],
  )

  // While somebody types in a box, undo belongs to the words in it.
  const redo = () => void store.redo()
  useKeys(
    { 'Ctrl K': () => setFinding(true) },
    { 'Ctrl Z': () => void store.undo(), 'Ctrl Y': redo, 'Ctrl Shift Z': redo },
  )

  useLeaving(state.waiting > 0)
  const here = path.split('/')[4]
  const [seen, keepSeen] = useKept(`hearth-map-seen ${id}`)
  const mapSeen = here === 'map' || seen === 'yes'
  useEffect(() => {
    if (here === 'map') keepSeen('yes')
  }, [here, keepSeen])
  const since = state.revision - opened.revision + state.waiting
  const { everOpened } = opened
  const chapters = useMemo(
    () => chaptersOf(state.book, { everOpened, editsSince: since }, { mapSeen, coverage }),
    [state.book, everOpened, since, mapSeen, coverage],
  )
  const base = `/books/${id}`
  return (
    <WorkshopContext value={workshop}>
      <div className="flex h-full min-h-0 flex-col">
        <AccountBar
          account={account}
          book={{ name: state.book.name, others: books.filter((other) => other.id !== id) }}
          sides={[
            { title: 'Workshop', href: `${base}/workshop/needs`, here: true },
            { title: 'Records', href: `${base}/records`, here: false },
            { title: 'Office', href: `${base}/office/people`, here: false },
          ]}
          onFind={() => setFinding(true)}
        />
        <Thread
          chapters={chapters}
          here={here}
          base={`${base}/workshop`}
          state={
            <SaveState
              waiting={state.waiting}
              cutOff={state.cutOff}
              opened={opened.everOpened}
              since={since}
              history={`${base}/workshop/history`}
              onHistory={(to) => router.push(to)}
            />
          }
        />
        {children}
        <FindOrDo open={finding} onClose={() => setFinding(false)} />
      </div>
    </WorkshopContext>
  )
}

function SaveState({
  waiting,
  cutOff,
  opened,
  since,
  history,
  onHistory,
}: {
  waiting: number
  cutOff: boolean
  opened: boolean
  since: number
  history: string
  onHistory: (to: string) => void
}) {
  const saved = cutOff ? 'Not saved yet, trying again …' : waiting > 0 ? 'Saving …' : 'Saved'
  const rest = opened
    ? since === 0
      ? ' · as opened'
      : ` · ${since} ${since === 1 ? 'edit' : 'edits'} since opened`
    : ''
  return (
    <button
      type="button"
      onClick={() => onHistory(history)}
      title="History of the book"
      className="min-h-7 rounded-sm px-1 text-[13px] whitespace-nowrap text-ash-6 hover:text-ink hover:underline"
    >
      <span role="status" data-waiting={waiting} className={cutOff ? 'font-bold text-ember' : undefined}>
        {saved}
      </span>
      <span className="max-xl:hidden">{rest}</span>
    </button>
  )
}

interface Newer {
  readonly revision: number
  readonly change?: ChangeSince
  readonly others: readonly Pick<HistoryEntry, 'who' | 'say' | 'kind'>[]
}

/** The book whole, as it is now. */
async function newest(id: string): Promise<{ readonly revision: number; readonly book: Book }> {
  const answer = await fetch(`/books/${id}/workshop/newer?since=-1`)
  const { revision, change } = (await answer.json()) as Newer
  if (!change || !('book' in change)) throw new Error('Expected the whole book.')
  return { revision, book: change.book }
}

/** Looks every few seconds whether somebody else edited the book, while the page is seen. */
function useOthersEdits(id: string, store: BookStore): void {
  useEffect(() => {
    let ended = false
    const look = async () => {
      const { revision } = store.snapshot()
      if (document.visibilityState !== 'visible') return
      const answer = await fetch(`/books/${id}/workshop/newer?since=${revision}`).catch(() => undefined)
      if (ended || !answer?.ok) return
      const newer = (await answer.json()) as Newer
      if (!newer.change) return
      await store.receive(newer.change, revision, newer.revision)
      const [latest] = newer.others
      if (latest) toast(`${latest.who}: ${sayEntry(latest)}`)
    }
    const timer = setInterval(() => void look(), 4000)
    return () => {
      ended = true
      clearInterval(timer)
    }
  }, [id, store])
}
