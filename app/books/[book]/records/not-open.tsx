'use client'

import Link from 'next/link'
import { Empty } from '@/ui/kit'
import { RecordsBar, type RecordsPeople } from './records-bar'

/** The records side of a book that has never been opened. */
export function NotOpen(people: RecordsPeople) {
  return (
    <div className="flex h-full flex-col">
      <RecordsBar {...people} />
      <main id="sheet" tabIndex={-1} className="flex-1 bg-paper p-6 outline-none">
        <h1 className="sr-only">Records</h1>
        <Empty head="This book is not open yet">
          {people.role === 'administrator' ? (
            <>
              Once it is opened, records are entered here.{' '}
              <Link
                href={`/books/${people.id}/workshop/open`}
                className="font-semibold text-spruce underline underline-offset-2"
              >
                Go to Open
              </Link>
            </>
          ) : (
            'Its administrator is still designing it. Look in again when you are told it is ready.'
          )}
        </Empty>
      </main>
    </div>
  )
}
