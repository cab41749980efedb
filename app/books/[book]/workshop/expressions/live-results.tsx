'use client'

import Link from 'next/link'
import { useEffect, useMemo, useState } from 'react'
import { officeNow } from '@/app/office-now'
import type { Table } from '@/core/book'
import { storeTree, type Tree, tryOnSpecimen } from '@/core/expressions'
import { inSentence, listed } from '@/core/words'
import type { TriedRecord } from '@/server/live'
import { tryExpression } from '../actions'
import { useWorkshop } from '../workshop-context'

/** An expression that can be computed, over the records of a table. */
export interface TriedExpression {
  readonly table: Table
  readonly tree: Tree
  /** Whether it must hold, as a rule does. */
  readonly asks?: boolean
}

const pause = 350

/** What an expression gives: for a made-up record at once, and for the five that were changed last where the book is open. */
export function LiveResults({ table, tree, asks = false }: TriedExpression) {
  const { id, book, opened } = useWorkshop()
  const kept = useMemo(() => JSON.stringify(storeTree(tree)), [tree])
  const [tried, setTried] = useState<{ readonly of: string; readonly records: readonly TriedRecord[] | string }>()
  useEffect(() => {
    if (!opened.everOpened) return undefined
    let stopped = false
    const timer = setTimeout(() => {
      void tryExpression(id, { table: table.id, tree: JSON.parse(kept) as never })
        .then((answer) => {
          if (stopped) return
          const words = !answer.ok && answer.problem.kind === 'in-own-words' ? answer.problem.words : ''
          setTried({ of: kept, records: answer.ok ? answer.value : words })
        })
        .catch(() => undefined)
    }, pause)
    return () => {
      stopped = true
      clearTimeout(timer)
    }
  }, [id, kept, table.id, opened.everOpened])

  const specimen = useMemo(() => tryOnSpecimen(book, table, tree, officeNow()), [book, table, tree])
  const facts = specimen.facts.slice(0, 4).map((fact) => `${fact.name} ${fact.shown || '(empty)'}`)
  const records = tried?.records
  return (
    <dl aria-label="What it gives" className="flex flex-col gap-0.5 rounded-md bg-ash-1 px-3 py-2 text-[13px]">
      <Line
        of={facts.length > 0 ? `Made up: ${listed(facts)}` : `A made-up ${inSentence(table.name)}`}
        gives={said(asks, specimen.value === null ? null : specimen.value === '1', specimen.shown)}
      />
      {Array.isArray(records) &&
        (records as readonly TriedRecord[]).map((record) => (
          <Line
            key={record.ref}
            of={record.label}
            href={`/books/${id}/records/${table.id}/record/${encodeURIComponent(record.ref)}`}
            gives={said(asks, record.holds, record.shown)}
          />
        ))}
      {typeof records === 'string' && records && <p className="text-ash-6">{records}</p>}
      {opened.everOpened && Array.isArray(records) && records.length === 0 && (
        <p className="text-ash-6">There is no {inSentence(table.name)} yet to try it on.</p>
      )}
    </dl>
  )
}

function Line({ of, href, gives }: { readonly of: string; readonly href?: string; readonly gives: Said }) {
  return (
    <div className="flex items-center justify-between gap-4">
      <dt className="flex min-h-7 min-w-0 items-center text-ash-6">
        {href ? (
          <Link href={href} className="truncate rounded-sm py-1 hover:underline">
            {of}
          </Link>
        ) : (
          <span className="truncate">{of}</span>
        )}
      </dt>
      <dd className={`shrink-0 text-right font-semibold tabular-nums ${gives.look}`}>{gives.words}</dd>
    </div>
  )
}

interface Said {
  readonly words: string
  readonly look: string
}

function said(asks: boolean, holds: boolean | null, shown: string): Said {
  if (!asks) return shown ? { words: shown, look: '' } : { words: 'empty', look: 'text-ash-5' }
  if (holds === null) return { words: 'a value is missing; the rule is skipped', look: 'text-ash-6' }
  return holds ? { words: '✓ true', look: 'text-spruce' } : { words: 'is refused', look: 'text-ember' }
}
