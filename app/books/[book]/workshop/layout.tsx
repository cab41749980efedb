import { redirect } from 'next/navigation'
import type { ReactNode } from 'react'
import { bookPage } from '@/app/door'
import { booksOf } from '@/server/books'
import { WorkshopRoom } from './workshop'

interface Props {
  readonly children: ReactNode
  readonly params: Promise<{ book: string }>
}

export default async function WorkshopLayout({ children, params }: Props) {
  const { db, account, stored } = await bookPage((await params).book, 'administrator')
  // A dry run has records only; what it was made from is designed where it always was.
  if (stored.dryOf) redirect(`/books/${stored.dryOf}/workshop/review`)
  const books = (await booksOf(db, account.id)).map(({ id, name }) => ({ id, name }))
  const opened = { everOpened: stored.opened !== undefined, revision: stored.openedRevision ?? 0 }
  return (
    <WorkshopRoom
      id={stored.id}
      book={stored.book}
      revision={stored.revision}
      opened={opened}
      account={account.name}
      books={books}
    >
      {children}
    </WorkshopRoom>
  )
}
