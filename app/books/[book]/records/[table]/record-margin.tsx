'use client'

import Link from 'next/link'
import { findLink, tableOf } from '@/core/book'
import type { RecordList } from '@/core/lists'
import { counted, inSentence } from '@/core/words'
import type { LiveRecord } from '@/server/live'
import type { Mail } from '@/server/post'
import { stateWords } from '../documents/sent/mail-state'
import type { Paper } from '@/server/reports'
import { Note } from '@/ui/kit'
import type { Wrong } from '../form/problems'
import { useRecords } from '../records-context'

interface Props {
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  readonly wrongs: readonly Wrong[]
  readonly lists?: readonly RecordList[] | undefined
  readonly papers?: readonly Paper[] | undefined
  readonly mails?: readonly Mail[] | undefined
}

/** What there is to know about a record: what to put right, what hangs on it, who changed it last. */
export function RecordMargin({ tableId, stored, wrongs, lists = [], papers = [], mails = [] }: Props) {
  const { book, base, mayChange } = useRecords()
  const noun = inSentence(tableOf(book, tableId).name)
  return (
    <>
      {wrongs.length > 0 && <WrongNote wrongs={wrongs} />}
      {!stored && wrongs.length === 0 && (
        <Note mark="info" head={`A new ${noun}`}>
          Tab goes from field to field, Ctrl S saves. Fields with a star must be filled.
        </Note>
      )}
      {stored?.elsewhere.map(({ link: linkId, table, count }) => {
        const link = findLink(book, linkId)
        if (!link) return null
        const words = inSentence(tableOf(book, table).name)
        const query = new URLSearchParams({ link: link.field, ref: stored.row.ref, label: stored.row.label })
        return (
          <Note
            key={linkId}
            mark="info"
            head={count === 0 ? `No ${words} yet` : counted(count, words)}
            actions={
              <>
                {count > 0 && (
                  <MarginLink href={`${base}/${table}?${query}`}>See {count === 1 ? 'it' : 'them'}</MarginLink>
                )}
                {mayChange && <MarginLink href={`${base}/${table}/new?${query}`}>New {words}</MarginLink>}
              </>
            }
          />
        )
      })}
      {stored && lists.length > 0 && (
        <Note
          mark="info"
          head={`Lists of this ${noun}`}
          actions={lists.map(({ id, name, ask }) => (
            <MarginLink
              key={`${id} ${ask}`}
              href={`${base}/lists/${id}?${new URLSearchParams({ ask, ref: stored.row.ref, label: stored.row.label })}`}
            >
              {name}
            </MarginLink>
          ))}
        />
      )}
      {stored && <HandedOut papers={papers} mails={mails} />}
      {stored && (
        <Note
          mark="info"
          head={stored.row.rev === 1 ? `Entered ${ago(stored.row.changedAt)}` : `Changed ${ago(stored.row.changedAt)}`}
        >
          {stored.row.changedBy ? `By ${stored.row.changedBy}.` : 'By another tool.'}
        </Note>
      )}
    </>
  )
}

/** What was handed out for the record, and what was sent. */
function HandedOut({ papers, mails }: { readonly papers: readonly Paper[]; readonly mails: readonly Mail[] }) {
  const { base } = useRecords()
  return (
    <>
      {papers.length > 0 && (
        <Note
          mark="info"
          head={`${counted(papers.length, 'paper')} handed out`}
          actions={papers.slice(0, mostPapers).map(({ id, name, number }) => (
            <MarginLink key={id} href={`${base}/documents/handed/${id}`}>
              {name} {number}
            </MarginLink>
          ))}
        />
      )}
      {mails.length > 0 && (
        <Note
          mark="info"
          head={counted(mails.length, 'e-mail')}
          actions={mails.slice(0, mostPapers).map(({ id, subject, state }) => (
            <MarginLink key={id} href={`${base}/documents/sent/${id}`}>
              {subject}
              {state !== 'sent' && ` (${stateWords[state]})`}
            </MarginLink>
          ))}
        />
      )}
    </>
  )
}

/** So many of them are named here; the others are where all are kept. */
const mostPapers = 6

/** What is to be put right, each a way to its box. */
const WrongNote = ({ wrongs }: { readonly wrongs: readonly Wrong[] }) => (
  <Note mark="settle" head={`${counted(wrongs.length, 'problem')} to correct before saving`}>
    <ul className="flex flex-col gap-1.5 pt-1">
      {wrongs.map(({ box, label, words }) => (
        <li key={`${box} ${words}`}>
          <button
            type="button"
            onClick={() => goTo(box)}
            className="min-h-7 w-full rounded-sm text-left hover:underline"
          >
            {/* Most sentences name their field themselves. */}
            {label && !words.startsWith(label) && <b className="font-semibold">{label}: </b>}
            <span className="underline underline-offset-2">{words}</span>
          </button>
        </li>
      ))}
    </ul>
  </Note>
)

function goTo(box: string): void {
  const element = document.getElementById(box)
  element?.focus({ preventScroll: true })
  element?.scrollIntoView({ block: 'center' })
}

const MarginLink = ({ href, children }: { readonly href: string; readonly children: React.ReactNode }) => (
  <Link
    href={href}
    className="inline-flex min-h-7 items-center px-1 font-semibold text-spruce underline underline-offset-2"
  >
    {children}
  </Link>
)

/** How long ago, from the database's UTC clock. */
function ago(utc: string): string {
  const minutes = Math.round((Date.now() - Date.parse(`${utc.replace(' ', 'T')}Z`)) / 60_000)
  if (minutes < 1) return 'just now'
  if (minutes < 60) return `${counted(minutes, 'minute')} ago`
  if (minutes < 24 * 60) return `${counted(Math.round(minutes / 60), 'hour')} ago`
  return new Date(`${utc.replace(' ', 'T')}Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  })
}
