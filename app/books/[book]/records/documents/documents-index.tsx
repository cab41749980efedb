'use client'

import Link from 'next/link'
import { findTable } from '@/core/book'
import { shownTables } from '@/core/records'
import { sayPaper } from '@/core/reports'
import { inSentence, plural } from '@/core/words'
import { buttonLook, Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../records-context'
import { TableMenu } from '../table-menu'

/** All documents, by the tables whose records they are written for, and the way to a new one. */
export function DocumentsIndex() {
  const { book, base, mayChange } = useRecords()
  const { main, lists } = shownTables(book)
  const tables = [...main, ...lists].filter(({ id }) => book.templates.some(({ table }) => table === id))
  const later = book.templates.filter(({ table }) => !findTable(book, table))
  return (
    <Room>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[22px] leading-tight">Documents</h1>
        <div className="flex flex-wrap gap-2">
          <Link href={`${base}/documents/handed`} className={buttonLook()}>
            Handed out
          </Link>
          <Link href={`${base}/documents/sent`} className={buttonLook()}>
            E-mails
          </Link>
          {mayChange && <NewDocument />}
        </div>
      </div>
      {book.templates.length === 0 && (
        <Empty head="No document is kept yet" {...(mayChange && { action: <NewDocument /> })}>
          A document is written once and filled in for each record: a bill, a certificate, a letter, a label. Those that
          the program lays out by itself are at hand already, under “Hand out” on each record.
        </Empty>
      )}
      {tables.map((table) => (
        <section key={table.id} className="mb-7">
          <h2 className="mb-2 text-[13px] text-ash-6">For {plural(inSentence(table.name))}</h2>
          <ul className="border-t border-ash-3">
            {book.templates
              .filter((template) => template.table === table.id)
              .sort((a, b) => a.name.localeCompare(b.name))
              .map(({ id, name, paper, labels }) => (
                <li key={id} className="border-b border-ash-3">
                  <Link href={`${base}/documents/${id}`} className="block px-2 py-2.5 hover:bg-ash-1">
                    <span className="block font-semibold">{name}</span>
                    <span className="block text-[13px] text-ash-6">
                      {sayPaper(paper)}
                      {labels && `, labels ${labels.across} by ${labels.down}`}
                    </span>
                  </Link>
                </li>
              ))}
          </ul>
        </section>
      ))}
      {later.length > 0 && (
        <p className="text-[13px] text-ash-6">
          {later.map(({ name }) => name).join(', ')}: {later.length === 1 ? 'its table comes' : 'their tables come'}{' '}
          with the next opening of the book.
        </p>
      )}
    </Room>
  )
}

/** For the records of which table the new document is. */
function NewDocument() {
  const { base } = useRecords()
  return <TableMenu name="New document" each="For each" href={(table) => `${base}/documents/new?of=${table}`} />
}
