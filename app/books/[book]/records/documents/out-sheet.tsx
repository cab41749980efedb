'use client'

import { Mail, Printer } from 'lucide-react'
import Link from 'next/link'
import { useSearchParams } from 'next/navigation'
import { type ReactNode, useCallback, useState } from 'react'
import { findTable, type Table, type Template } from '@/core/book'
import type { EditionNow, Written } from '@/server/reports'
import { withReadyMail } from '@/core/reports'
import { buttonLook, Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { AskedBar } from '../lists/asked-bar'
import { LaidPages } from '../paper/laid-pages'
import { PdfLink } from '../paper/pdf-link'
import { sayPages } from '../paper/say-pages'
import { pdfOf, useEdition } from '../paper/use-edition'
import { useRecords } from '../records-context'
import { WaitInTray } from '../tray/wait-in-tray'
import { documentOf } from './documents-of'
import { FirstLabel } from './first-label'
import { HandedOut, HandOutButton, NotYet } from './hand-out-parts'
import { keepFor, mailPath, sentOf, type WrittenFor } from './hand-out-of'
import { useWrittenFor } from './use-written-for'
import { sayFor, SayWritten, TakeFile, WhichDocument } from './out-parts'

/** Documents as they will be handed out: looked at, printed, taken as a file. */
export function OutSheet() {
  const { book, base } = useRecords()
  const query = useSearchParams()
  const table = findTable(book, query.get('table') ?? '')
  const template = table && documentOf(book, table.id, query.get('document') ?? '')
  const of = useWrittenFor(base, table?.id ?? '')
  if (table && template && of) return <Out key={template.id} table={table} template={template} of={of} />
  return (
    <Room>
      <h1 className="sr-only">Hand out</h1>
      <Empty head={template ? 'For which records?' : 'There is no such document'}>
        Open a record, or mark some in a list, and choose “Hand out” there.
      </Empty>
    </Room>
  )
}

interface Props {
  readonly table: Table
  readonly template: Template
  readonly of: WrittenFor
}

/** What is laid: as it will be handed out, or as it was just now. */
function useOut({
  template,
  of,
  first,
  papers,
}: Props & { readonly first: number; readonly papers: readonly string[] | undefined }) {
  const { base } = useRecords()
  const wish = { template, of: sentOf(of), ...(template.labels && { first }) }
  return useEdition<Written>(
    base,
    papers ? 'documents/handed/lay' : 'documents/write',
    papers ? { papers, original: true } : wish,
  )
}

function Out({ table, template, of: start }: Props) {
  const [here, setHere] = useState(0)
  const [first, setFirst] = useState(1)
  const [given, setGiven] = useState(start.kind === 'list' ? start.given : {})
  /** What was handed out just now. */
  const [papers, setPapers] = useState<readonly string[]>()
  const of: WrittenFor = start.kind === 'list' ? { ...start, given } : start
  const see = useCallback((page: number) => setHere(page), [])
  const edition = useOut({ table, template, of, first, papers })
  const { now } = edition
  const isToCome = template.handed !== undefined && !papers
  return (
    <Room
      bare
      margin={
        <>
          {!papers && <WhichDocument table={table} template={template} of={of} />}
          {template.labels && <FirstLabel labels={template.labels} value={first} onChange={setFirst} />}
          {now?.laid && <SayWritten written={now.laid} of={of} table={table} pages={now.pages} />}
          {isToCome && <NotYet template={template} />}
          {papers && <HandedOut papers={papers} />}
        </>
      }
      marginLabel="What is handed out"
    >
      <div className="flex h-full flex-col">
        <OutHead table={table} template={template} of={of} edition={now} here={here}>
          {isToCome && <HandOutButton template={template} of={of} onHandedOut={setPapers} />}
        </OutHead>
        {of.kind === 'list' && !papers && (
          <div className="px-6 pb-3 empty:hidden max-md:px-3">
            <AskedBar list={of.list} given={given} onChange={setGiven} />
          </div>
        )}
        <LaidPages edition={edition} onSee={see} />
      </div>
    </Room>
  )
}

/** Printed, taken as a file, or waited for elsewhere. */
function Files({ template, of, edition }: Pick<HeadProps, 'template' | 'of' | 'edition'>) {
  const { base } = useRecords()
  const laid = edition?.laid ? edition.id : undefined
  return (
    <>
      <WaitInTray edition={edition} forms={of.kind === 'record' || template.labels ? onePdf : pdfOrEach} />
      <PdfLink href={laid && pdfOf(base, laid, 'look')}>
        <Printer size={15} aria-hidden /> Print
      </PdfLink>
      <TakeFile laid={laid} base={base} isSeveral={(edition?.laid?.documents ?? 0) > 1 && !template.labels} />
    </>
  )
}

const onePdf = ['pdf'] as const
const pdfOrEach = ['pdf', 'zip'] as const

interface HeadProps extends Props {
  readonly edition: EditionNow<Written> | undefined
  /** The page in sight. */
  readonly here: number
  /** What is to be done before anything is printed. */
  readonly children: ReactNode
}

/** What is handed out, for whom, and what can be done with it. */
function OutHead({ table, template, of, edition, here, children }: HeadProps) {
  const { book, base, mayChange } = useRecords()
  return (
    <header className="flex flex-wrap items-start justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
      <div className="flex min-w-0 flex-1 basis-60 flex-wrap items-baseline gap-x-3">
        <h1 className="min-w-0 text-[22px] leading-tight [overflow-wrap:anywhere]">{template.name}</h1>
        <span role="status" className="text-[13px] text-ash-6">
          {sayFor(of, table)}
          {edition && edition.pages > 0 && ` · ${sayPages(edition, here)}`}
        </span>
      </div>
      <div className="flex flex-wrap gap-2">
        {mayChange && withReadyMail(book, template) && (
          <Link
            href={mailPath(base, { table: table.id, document: template.id }, of)}
            // What was answered here is what is sent there.
            onClick={() => void (of.kind !== 'record' && keepFor(base, { table: table.id, of }))}
            className={buttonLook()}
          >
            <Mail size={15} aria-hidden /> E-mail
          </Link>
        )}
        {children || <Files template={template} of={of} edition={edition} />}
      </div>
    </header>
  )
}
