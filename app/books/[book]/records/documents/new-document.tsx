'use client'

import Link from 'next/link'
import { useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { findTable, type Table, type Template } from '@/core/book'
import { makeReady, readyFor, type ReadyKind, readyKinds, readyTitles } from '@/core/reports'
import { inSentence } from '@/core/words'
import { freshId } from '@/ui/ids'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../records-context'
import { OneDocument } from './one-document'

const says: Readonly<Record<ReadyKind, string>> = {
  sheet: 'All its fields and rows, one after the other.',
  letter: 'To whoever it has to do with, the address in the window.',
  bill: 'Its amounts line by line, with what they come to.',
  receipt: 'An amount in figures and in words, to be signed.',
  certificate: 'What it is, in the middle of the page, to be signed.',
  card: 'Everything somebody needs who goes out, with room to write.',
  label: 'Several on a sheet, to be stuck on.',
}

/** A document that isn't kept yet: first from what it begins, then the document itself. */
export function NewDocument() {
  const { book } = useRecords()
  const query = useSearchParams()
  const [id] = useState(freshId)
  const table = findTable(book, query.get('of') ?? '')
  const as = (query.get('as') ?? '').replace(/^ready-/, '')
  if (!table)
    return (
      <Room>
        <h1 className="sr-only">New document</h1>
        <Empty head="There is no such table">Choose another for the document.</Empty>
      </Room>
    )
  if (as === 'blank') return <OneDocument key="blank" isNew template={blank(table, id)} />
  const kind = readyKinds.find((one) => one === as)
  if (kind) return <OneDocument key={kind} isNew template={makeReady(book, table.id, kind, id)} />
  return <Beginnings table={table} />
}

const blank = ({ id: table, name }: Table, id: string): Template => ({
  id,
  table,
  name: `For each ${inSentence(name)}`.slice(0, 60),
  paper: { size: 'a4', margin: 20 },
  letters: 10.5,
  columns: [],
  blocks: [],
})

function Beginnings({ table }: { readonly table: Table }) {
  const { book, base } = useRecords()
  const noun = inSentence(table.name)
  const all: readonly (readonly [string, string, string])[] = [
    ...readyFor(book, table).map((kind) => [kind, readyTitles[kind], says[kind]] as const),
    ['blank', 'An empty page', 'To write it from nothing.'],
  ]
  return (
    <Room>
      <h1 className="mb-1 text-[22px] leading-tight">A document for each {noun}</h1>
      <p className="mb-4 text-ash-6">From what it begins; everything in it can be changed.</p>
      <ul className="grid max-w-[900px] grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-3">
        {all.map(([kind, title, say]) => (
          <li key={kind}>
            <Link
              href={`${base}/documents/new?${new URLSearchParams({ of: table.id, as: kind })}`}
              className="flex h-full min-h-[76px] flex-col rounded-lg border border-ash-3 bg-paper px-4 py-3 hover:bg-ash-1"
            >
              <span className="font-semibold">{title}</span>
              <span className="text-[13px] text-ash-6">{say}</span>
            </Link>
          </li>
        ))}
      </ul>
    </Room>
  )
}
