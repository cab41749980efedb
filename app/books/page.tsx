import type { Metadata } from 'next'
import Link from 'next/link'
import { booksOf } from '@/server/books'
import { catalogue } from '@/server/catalogue'
import { Empty, Tag } from '@/ui/kit'
import { AccountBar } from '../account-bar'
import { signedIn } from '../door'
import { NewBook } from './new-book'

export const metadata: Metadata = { title: 'Record books' }

const roleWords = { administrator: 'You design and run it', staff: 'You enter records', reader: 'You look things up' }

export default async function BooksPage() {
  const account = await signedIn()
  const books = await booksOf(await catalogue(), account.id)
  return (
    <div className="flex min-h-full flex-col">
      <AccountBar account={account.name} />
      <main id="sheet" tabIndex={-1} className="mx-auto outline-none w-full max-w-[880px] px-6 py-8">
        <h1 className="text-[22px]">Record books</h1>
        <p className="mb-6 text-ash-6">
          One book holds everything one office keeps: its design, and the records themselves.
        </p>
        {books.length > 0 && (
          <ul className="mb-6 grid gap-3 sm:grid-cols-2">
            {books.map((book) => (
              <li key={book.id}>
                <Link
                  href={`/books/${book.id}`}
                  className="flex h-full flex-col gap-1 rounded-lg border border-ash-3 bg-paper p-4 hover:border-spruce"
                >
                  <span className="flex items-start justify-between gap-3">
                    <span className="text-base font-bold break-words">{book.name}</span>
                    <Tag look={book.opened ? 'spruce' : 'ash'}>{book.opened ? 'open' : 'in the making'}</Tag>
                  </span>
                  <span className="text-ash-6">{roleWords[book.role]}</span>
                </Link>
              </li>
            ))}
          </ul>
        )}
        {account.makesBooks ? (
          <NewBook first={books.length === 0} />
        ) : (
          books.length === 0 && (
            <Empty head="No book has been shared with you yet">
              Ask the administrator of a book to give you access, then look here again.
            </Empty>
          )
        )}
      </main>
    </div>
  )
}
