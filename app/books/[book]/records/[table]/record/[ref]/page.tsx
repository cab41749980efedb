import type { Metadata } from 'next'
import { listsOfRecord } from '@/core/lists'
import { wordProblem } from '@/core/words'
import { listsFor } from '@/server/books'
import { readRecord } from '@/server/live'
import { mailsOfRecord } from '@/server/post'
import { papersOf } from '@/server/reports'
import { Empty } from '@/ui/kit'
import { recordsPage } from '../../../records-page'
import { RecordPage } from '../../record-page'

export const metadata: Metadata = { title: 'Record' }

interface Props {
  readonly params: Promise<{ book: string; table: string; ref: string }>
}

export default async function OneRecordPage({ params }: Props) {
  const { book, table, ref: inAddress } = await params
  const { db, live, stored, account } = await recordsPage(book, table)
  const ref = decodeURIComponent(inAddress)
  const record = await readRecord({ db, live }, table, ref)
  if (!record.ok) {
    return (
      <main id="sheet" tabIndex={-1} className="flex-1 bg-paper p-6 outline-none">
        <h1 className="sr-only">Record</h1>
        <Empty head={wordProblem(record.problem)}>Look for it in the list, or go back.</Empty>
      </main>
    )
  }
  return (
    <RecordPage
      key={ref}
      tableId={table}
      stored={record.value}
      papers={await papersOf(db, stored.id, table, ref)}
      mails={await mailsOfRecord(db, stored.id, table, ref)}
      lists={listsOfRecord(live.book, listsFor(stored.book, account.id), table)}
    />
  )
}
