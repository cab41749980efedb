'use client'

import { useRouter, useSearchParams } from 'next/navigation'
import { useMemo } from 'react'
import { findTable } from '@/core/book'
import { allPairs, askingOrder, openPairs, pairedTables } from '@/core/pairings'
import { counted, listed } from '@/core/words'
import { Button, Empty, Note, Tag } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { replaceAddress } from '@/ui/replace-address'
import { UnmetNote } from '../needs-met'
import { useWorkshop } from '../workshop-context'
import { Matrix } from './matrix'
import { PairSheet } from './pair-sheet'

/** The third chapter: for every pair of tables, whether and how they are linked. */
export function PairingsChapter() {
  const { id, book, proposals } = useWorkshop()
  const router = useRouter()
  const query = useSearchParams()
  const tables = useMemo(() => pairedTables(book), [book])
  const spoken = proposals?.reading.ties
  const { ask, apart } = useMemo(() => askingOrder(book, spoken), [book, spoken])
  const open = useMemo(() => openPairs(book).length, [book])
  const all = useMemo(() => allPairs(book).length, [book])
  const wanted = (query.get('pair') ?? '').split('~')
  const next = query.has('next') ? ask[0] : undefined
  const [a, b] = next ? [next.a, next.b] : [findTable(book, wanted[0] ?? ''), findTable(book, wanted[1] ?? '')]
  const show = (first: string, second: string) =>
    replaceAddress(`/books/${id}/workshop/pairings?pair=${first}~${second}`)
  // An answer that was just given may not be known here yet: the pair at hand is never its own next.
  const following = ask.find((pair) => pair.a !== a || pair.b !== b)
  const showNext = () =>
    following && replaceAddress(`/books/${id}/workshop/pairings?pair=${following.a.id}~${following.b.id}&asked`)

  if (tables.length === 0) {
    return (
      <Room>
        <h1 className="mb-4 text-[22px]">Pairings</h1>
        <Empty
          head="There is nothing to pair yet"
          action={
            <Button look="main" onClick={() => router.push(`/books/${id}/workshop/tables?add=table`)}>
              Add a table
            </Button>
          }
        >
          Make at least two tables first. Then two questions for each pair decide how they are linked.
        </Empty>
      </Room>
    )
  }
  return (
    <Room
      margin={
        <>
          {ask.length > 0 && (
            <Note mark="info" head={`${counted(ask.length, 'pair')} worth asking about`}>
              First {listed(ask.slice(0, 3).map((pair) => `${pair.a.name} and ${pair.b.name}`))}
              {ask.length > 3 && `, then ${ask.length - 3} more`}.
            </Note>
          )}
          {apart.length > 0 && (
            <Note mark="info" head={`${counted(apart.length, 'pair')} left alone`}>
              They are linked through other tables and no need mentions them. Choose their square to ask anyway.
            </Note>
          )}
          {open === 0 && all > 0 && <Note mark="fine" head="Every pair is answered" />}
          {ask.length === 0 && apart.length > 0 && <Note mark="fine" head="Every pair worth asking is answered" />}
          <Note mark="info" head="One to many, many to many">
            A fork at the end of a line means several, a bar means one. A circle means there may be none.
          </Note>
          <UnmetNote />
        </>
      }
    >
      <div className="mb-4 flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1 className="text-[22px] leading-tight">Pairings</h1>
          <p className="mt-1 text-ash-6">Two questions for every pair. The answers decide how tables are linked.</p>
        </div>
        <div className="flex items-center gap-3">
          <Tag>
            {all - open} of {all - apart.length} answered
          </Tag>
          {ask.length > 0 && (
            <Button look="main" onClick={showNext}>
              Ask me the next one
            </Button>
          )}
        </div>
      </div>
      <Matrix tables={tables} chosen={a && b ? [a.id, b.id] : undefined} apart={apart} onChoose={show} />
      {a && b ? (
        <PairSheet
          key={`${a.id}~${b.id}`}
          a={a}
          b={b}
          asked={query.has('asked') || query.has('next')}
          onNext={following ? showNext : undefined}
        />
      ) : (
        <p className="mt-5 text-ash-6">
          {tables.length === 1
            ? 'With a second table there will be a pair to answer. The square on the diagonal links a table to itself.'
            : 'Choose a square to see its two questions. A square on the diagonal links a table to itself.'}
        </p>
      )}
    </Room>
  )
}
