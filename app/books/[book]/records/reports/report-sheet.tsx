'use client'

import { FileDown, Printer, Undo2 } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useCallback, useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { officeNow } from '@/app/office-now'
import type { List, Report } from '@/core/book'
import { nameOf, readList } from '@/core/lists'
import { reportName } from '@/core/reports'
import { sameJson, wordProblem } from '@/core/words'
import { Button, buttonLook, Empty, IconButton, Tag } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { AskedBar } from '../lists/asked-bar'
import { useRecords } from '../records-context'
import { Refused } from '../rows-query'
import { useDraft } from '../use-draft'
import { keepReport } from './actions'
import { Choices } from './choices'
import { DropReport } from './drop-report'
import { HowItFits, sayPages } from './how-it-fits'
import { Outline, type ReportPart } from './outline'
import { Pages } from './pages'
import { pdfOf, useEdition } from './use-edition'

interface Props {
  readonly list: List
  /** As it is kept; none where it isn't yet. */
  readonly kept: Report | undefined
  readonly start: Report
}

/** A report as the pages that it comes to, what they say at the left, and the choices of a part in the margin. */
export function ReportSheet({ list, kept, start }: Props) {
  const { book, base, id: bookId, mayChange } = useRecords()
  const router = useRouter()
  const draft = useDraft(start)
  const { now: report, change } = draft
  const [before, setBefore] = useState(kept)
  const [given, setGiven] = useState<Readonly<Record<string, string>>>({})
  const [part, setPart] = useState<ReportPart>('heading')
  const [here, setHere] = useState(0)
  const [dropping, setDropping] = useState(false)
  const see = useCallback((page: number) => setHere(page), [])
  const undo = draft.mayUndo ? draft.undo : undefined
  const redo = draft.mayRedo ? draft.redo : undefined
  useKeys({}, { 'Ctrl z': undo, 'Ctrl Z': undo, 'Ctrl y': redo, 'Ctrl Y': redo })
  const found = readList(book, list, { given, now: officeNow(), lists: book.lists })
  const edition = useEdition(base, report, given)
  if (!('read' in found))
    return (
      <Room>
        <Empty head="This report can’t be laid">
          Something in the list {nameOf(book, list)} is to be put right first:{' '}
          {found.faults.map(({ problem }) => wordProblem(problem)).join(' ')}
        </Empty>
      </Room>
    )
  const { read } = found
  const { now } = edition
  const isChanged = before === undefined || !sameJson(before, report)
  async function save() {
    const saved = await answered(keepReport(bookId, { report, ...(before && { before }) }))
    if (!saved.ok) return void toast(wordProblem(saved.problem))
    setBefore(saved.value)
    draft.put(saved.value)
    toast('The report is kept.')
    router.replace(`${base}/reports/${saved.value.id}`)
    router.refresh()
  }
  const shared = { report, read, onChange: change }
  return (
    <Room
      bare
      indexLabel="What the pages say"
      index={<Outline {...shared} list={list} chosen={part} onChoose={setPart} />}
      margin={
        <>
          <section aria-label="Choices" className="flex flex-col gap-2.5">
            <Choices {...shared} part={part} />
          </section>
          {now && <HowItFits {...shared} edition={now} />}
        </>
      }
    >
      <div className="flex h-full flex-col">
        <header className="flex flex-wrap items-start justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
          <div className="flex min-w-0 flex-1 basis-60 flex-wrap items-baseline gap-x-3">
            <h1 className="text-[22px] leading-tight">{reportName(book, report, list)}</h1>
            <span role="status" className="text-[13px] text-ash-6">
              {now && now.pages > 0 && sayPages(now, here)}
            </span>
            {isChanged && <Tag look="brass">{before ? 'changed' : 'not kept yet'}</Tag>}
          </div>
          <div className="flex flex-wrap gap-2">
            <IconButton label="Take the last change back" disabled={!undo} onClick={undo}>
              <Undo2 size={15} aria-hidden />
            </IconButton>
            {mayChange && before && <Button onClick={() => setDropping(true)}>Remove</Button>}
            {mayChange && isChanged && (
              <Button onClick={() => void save()}>{before ? 'Keep changes' : 'Keep it'}</Button>
            )}
            <Out href={now?.laid && pdfOf(base, now.id, 'look')} isNew>
              <Printer size={15} aria-hidden /> Print
            </Out>
            <Out href={now?.laid && pdfOf(base, now.id, 'file')} main>
              <FileDown size={15} aria-hidden /> PDF
            </Out>
          </div>
          <div className="w-full empty:hidden">
            <AskedBar list={list} given={given} onChange={setGiven} />
          </div>
        </header>
        {edition.error && (
          <div className="px-6">
            <Empty head="The pages could not be laid" action={<Button onClick={edition.again}>Try again</Button>}>
              {edition.error instanceof Refused ? edition.error.message : 'The connection may have been lost.'}
            </Empty>
          </div>
        )}
        {now?.problem && (
          <div className="px-6">
            <Empty head="The pages could not be laid" action={<Button onClick={edition.again}>Try again</Button>}>
              {wordProblem(now.problem)}
            </Empty>
          </div>
        )}
        {now && !now.problem && !edition.error && <Pages edition={now} onSee={see} />}
      </div>
      {dropping && before && <DropReport report={before} list={list} onClose={() => setDropping(false)} />}
    </Room>
  )
}

interface OutProps {
  readonly href: string | undefined | false
  readonly isNew?: boolean
  readonly main?: boolean
  readonly children: React.ReactNode
}

/** Goes to the PDF as soon as all pages are laid. */
function Out({ href, isNew, main, children }: OutProps) {
  const look = main ? 'main' : undefined
  if (!href)
    return (
      <Button look={look} disabled>
        {children}
      </Button>
    )
  return (
    <a href={href} className={buttonLook(look)} {...(isNew && { target: '_blank', rel: 'noreferrer' })}>
      {children}
    </a>
  )
}
