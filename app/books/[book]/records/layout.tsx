import type { ReactNode } from 'react'
import { bookPage } from '@/app/door'
import { booksOf, listsFor, reportsFor } from '@/server/books'
import { readOnly } from '@/server/database'
import { callRecords, openedBook } from '@/server/live'
import { trayOf } from '@/server/tray'
import { RecordsRoom } from './records-room'
import { NotOpen } from './not-open'

interface Props {
  readonly children: ReactNode
  readonly params: Promise<{ book: string }>
}

export default async function RecordsLayout({ children, params }: Props) {
  const { db, account, role, stored } = await bookPage((await params).book, 'reader')
  const books = (await booksOf(db, account.id)).map(({ id, name }) => ({ id, name }))
  const live = await openedBook(db, stored)
  const shared = { id: stored.id, name: stored.book.name, account: account.name, role, books, dryOf: stored.dryOf }
  if (!live.ok) return <NotOpen {...shared} />
  // What the office wrote down is for those who design; it isn't sent to Records. Lists are of today's design.
  const tray = await trayOf(db, { book: stored.id, account: account.id })
  const reports = reportsFor(stored.book, account.id)
  const lists = await callRecords({ db: readOnly(db), live: live.value }, listsFor(stored.book, account.id))
  return (
    <RecordsRoom
      {...shared}
      tray={tray}
      book={{
        ...live.value.book,
        needs: [],
        lists,
        reports,
        templates: stored.book.templates,
        forms: stored.book.forms,
        formLook: stored.book.formLook,
        letterhead: stored.book.letterhead,
      }}
    >
      {children}
    </RecordsRoom>
  )
}
