import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { booksOf } from '@/server/books'
import { membersOf } from '@/server/people'
import { PeopleSheet } from './people-sheet'

export const metadata: Metadata = { title: 'People' }

export default async function PeoplePage({ params }: { readonly params: Promise<{ book: string }> }) {
  const { db, account, stored } = await bookPage((await params).book, 'administrator')
  const books = (await booksOf(db, account.id)).map(({ id, name }) => ({ id, name }))
  return (
    <PeopleSheet
      id={stored.id}
      name={stored.book.name}
      account={account}
      books={books}
      members={await membersOf(db, stored.dryOf ?? stored.id)}
    />
  )
}
