import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { bookPage } from '@/app/door'
import { listsFor } from '@/server/books'
import { now } from '@/server/clock'
import { readOnly } from '@/server/database'
import { openedBook } from '@/server/live'
import { differencesOf, findPaper } from '@/server/reports'
import { OnePaper } from '../one-paper'

export const metadata: Metadata = { title: 'Handed out' }

interface Props {
  readonly params: Promise<{ book: string; paper: string }>
}

export default async function PaperPage({ params }: Props) {
  const { book, paper: id } = await params
  const { db, account, stored } = await bookPage(book, 'reader')
  const paper = await findPaper(db, stored.id, id)
  if (!paper) notFound()
  const live = await openedBook(db, stored)
  const asked = live.ok && {
    db,
    reads: { db: readOnly(db), live: live.value },
    book: stored.id,
    paper: id,
    answers: { given: {}, now: now(), lists: listsFor(stored.book, account.id) },
  }
  const differences = asked ? await differencesOf(asked).catch(() => undefined) : undefined
  return <OnePaper key={id} paper={paper} differences={differences} />
}
