'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { findTable } from '@/core/book'
import { inSentence } from '@/core/words'
import type { Paper } from '@/server/reports'
import { Empty, TextBox } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { useSettled } from '../../use-settled'
import { sayMade } from './say-made'

interface Props {
  readonly papers: readonly Paper[]
  readonly find: string
}

/** What was handed out, the newest first. */
export function HandedIndex({ papers, find }: Props) {
  const { book, base } = useRecords()
  const router = useRouter()
  const [typed, setTyped] = useState(find)
  const settled = useSettled(typed.trim(), 300)
  useEffect(() => {
    if (settled !== find) router.replace(`${base}/documents/handed?${new URLSearchParams({ find: settled })}`)
  }, [settled, find, router, base])
  return (
    <Room>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[22px] leading-tight">Handed out</h1>
        <div className="w-[260px]">
          <TextBox
            type="search"
            aria-label="Find what was handed out"
            placeholder="A number, a document, a record…"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </div>
      </div>
      {papers.length === 0 && (
        <Empty head={find ? 'Nothing is called so' : 'Nothing was handed out yet'}>
          {find
            ? 'Look for other letters.'
            : 'What is handed out by a document that keeps it, is here: as it was, under its number.'}
        </Empty>
      )}
      {papers.length > 0 && (
        <ul className="border-t border-ash-3">
          {papers.map((paper) => (
            <li key={paper.id} className="border-b border-ash-3">
              <Link href={`${base}/documents/handed/${paper.id}`} className="block px-2 py-2 hover:bg-ash-1">
                <span className="block font-semibold">
                  {paper.name} <span className="font-mono font-normal">{paper.number}</span>
                </span>
                <span className="block text-[13px] text-ash-6">
                  For {inSentence(findTable(book, paper.table)?.name ?? 'record')} {paper.label} ·{' '}
                  <span suppressHydrationWarning>{sayMade(paper.madeAt)}</span> · {paper.by}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </Room>
  )
}
