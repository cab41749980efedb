'use client'

import { ChevronRight } from 'lucide-react'
import { useEffect, useState } from 'react'
import { fail, ok, type Result, wordProblem } from '@/core/words'
import type { HistoryEntry } from '@/server/books'
import { Button, classNames, Empty, Note, Tag, WordButton } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useWorkshop } from '../workshop-context'
import { sayEntry } from './say-entry'

/** Everything that was done to the book: who, when, what. From here the book can go back to any point. */
export function HistoryChapter() {
  const { id, revision, undo, redo, backTo } = useWorkshop()
  const [entries, setEntries] = useState<readonly HistoryEntry[]>()
  const [more, setMore] = useState(false)
  const [problem, setProblem] = useState<string>()
  const pageSize = 200

  const add = (before: readonly HistoryEntry[], found: Result<readonly HistoryEntry[]>) => {
    setProblem(found.ok ? undefined : wordProblem(found.problem))
    if (!found.ok) return
    setEntries([...before, ...found.value])
    setMore(found.value.length === pageSize)
  }
  useEffect(() => {
    let ended = false
    void fetchHistory(id).then((found) => {
      if (!ended) add([], found)
    })
    return () => {
      ended = true
    }
  }, [id, revision])

  const first = async () => add([], await fetchHistory(id))
  const older = async () => {
    add(entries ?? [], await fetchHistory(id, entries?.at(-1)?.revision))
  }
  return (
    <Room
      margin={
        <Note mark="info" head="Nothing is ever lost">
          Going back is an edit of its own: it can be undone like any other.
        </Note>
      }
    >
      <div className="mb-4 flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1 className="text-[22px] leading-tight">History</h1>
          <p className="mt-1 text-ash-6">Every edit to the design, the newest first.</p>
        </div>
        <div className="flex gap-2">
          <Button onClick={undo} keys="Ctrl Z">
            Undo
          </Button>
          <Button onClick={redo} keys="Ctrl Y">
            Redo
          </Button>
        </div>
      </div>
      {problem && (
        <p role="status" className="mb-3 text-ember">
          {problem} <WordButton onClick={() => void first()}>Try again</WordButton>
        </p>
      )}
      {entries?.length === 0 && (
        <Empty head="Nothing has been done yet">The first need you write down will stand here.</Empty>
      )}
      <ol className={entries && entries.length > 0 ? 'border-t border-ash-3' : undefined}>
        {foldRuns(entries ?? []).map((run) =>
          run.length < leastFolded ? (
            run.map((entry) => (
              <EntryRow key={entry.revision} entry={entry} first={entries?.[0] === entry} backTo={backTo} />
            ))
          ) : (
            <li key={run[0]!.revision} className="border-b border-ash-3">
              <details className="group/run">
                <summary className="flex min-h-10 cursor-pointer items-center gap-3 rounded-sm py-1">
                  <span className="min-w-10 shrink-0 text-right text-[13px] whitespace-nowrap text-ash-6">
                    {run.at(-1)!.revision}–{run[0]!.revision}
                  </span>
                  <ChevronRight size={14} aria-hidden className="flex-none group-open/run:rotate-90" />
                  <span className="min-w-0 flex-1 break-words">
                    {sayEntry(run[0]!)} <span className="text-ash-6">and {run.length - 1} more like it</span>
                  </span>
                  <span className="text-[13px] text-ash-6">{run[0]!.who}</span>
                </summary>
                <ol className="border-t border-ash-3 pl-4">
                  {run.map((entry) => (
                    <EntryRow key={entry.revision} entry={entry} first={entries?.[0] === entry} backTo={backTo} />
                  ))}
                </ol>
              </details>
            </li>
          ),
        )}
      </ol>
      {more && (
        <Button className="mt-4" onClick={() => void older()}>
          Show older edits
        </Button>
      )}
    </Room>
  )
}

/** So many alike one after the other are folded into one line. */
const leastFolded = 4

/** What an edit is called, without what it was done to: its first words, or where the part comes first, its last. */
const kindOfEdit = (say: string) =>
  / (meets|no longer meets) need \d+$/.exec(say)?.[1] ?? say.split(' ').slice(0, 3).join(' ')

/** Edits of one kind that somebody made one after the other. */
function foldRuns(entries: readonly HistoryEntry[]): HistoryEntry[][] {
  const runs: HistoryEntry[][] = []
  const mark = ({ kind, say, who, undone }: HistoryEntry) => `${kind} ${kindOfEdit(say)} ${who} ${undone}`
  for (const entry of entries) {
    const last = runs.at(-1)
    if (last && mark(last[0]!) === mark(entry)) last.push(entry)
    else runs.push([entry])
  }
  return runs
}

interface RowProps {
  readonly entry: HistoryEntry
  /** The newest, which is how the book is. */
  readonly first: boolean
  readonly backTo: (revision: number) => unknown
}

const EntryRow = ({ entry, first, backTo }: RowProps) => (
  <li className="group flex min-h-10 items-center gap-3 border-b border-ash-3 py-1 last:border-b-0">
    <span className="w-10 shrink-0 text-right text-[13px] text-ash-6">{entry.revision}</span>
    <span className={classNames('min-w-0 flex-1 break-words', entry.undone && 'text-ash-6 line-through')}>
      {sayEntry(entry)}
    </span>
    {entry.undone && <Tag>undone</Tag>}
    <span className="text-[13px] text-ash-6">{entry.who}</span>
    <time className="w-[130px] shrink-0 text-right text-[13px] text-ash-6">{localTime(entry.when)}</time>
    <span className="w-[92px] shrink-0 text-right">
      {!first && (
        <Button
          small
          className="opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
          onClick={() => void backTo(entry.revision)}
          aria-label={`Go back to after edit ${entry.revision}`}
        >
          Back to here
        </Button>
      )}
    </span>
  </li>
)

async function fetchHistory(id: string, before?: number): Promise<Result<readonly HistoryEntry[]>> {
  const address = `/books/${id}/workshop/history/entries${before ? `?before=${before}` : ''}`
  const answer = await fetch(address).catch(() => undefined)
  return answer?.ok ? ok((await answer.json()) as HistoryEntry[]) : fail({ kind: 'no-answer' })
}

const localTime = (utc: string) =>
  new Date(`${utc.replace(' ', 'T')}Z`).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
