'use client'

import { useRouter } from 'next/navigation'
import { useCallback, useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { officeNow } from '@/app/office-now'
import type { List, Report } from '@/core/book'
import { nameOf, readList } from '@/core/lists'
import { reportName } from '@/core/reports'
import { sameJson, wordProblem } from '@/core/words'
import type { Laid, ReportFileKind } from '@/server/reports'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { handOver } from '@/ui/hand-over'
import { useKeys } from '@/ui/use-keys'
import { useWide } from '@/ui/use-wide'
import { AskedBar } from '../lists/asked-bar'
import { DropDialog } from '../drop-dialog'
import { useRecords } from '../records-context'
import { Refused } from '../rows-query'
import { useDraft } from '../use-draft'
import { dropReport, keepReport } from './actions'
import { Choices } from './choices'
import { HowItFits } from './how-it-fits'
import { Outline, type ReportPart } from './outline'
import { LaidPages } from '../paper/laid-pages'
import { ReportHead } from './report-head'
import { useEdition } from '../paper/use-edition'
import { reportFile } from './report-file'

interface Props {
  readonly list: List
  /** As it is kept; none where it isn't yet. */
  readonly kept: Report | undefined
  readonly start: Report
  /** What was answered last to what its list asks. */
  readonly answered?: Readonly<Record<string, string>>
}

/** A report as the pages that it comes to, what they say at the left, and the choices of a part in the margin. */
export function ReportSheet({ list, kept, start, answered: last = {} }: Props) {
  const { book, base, id: bookId } = useRecords()
  const router = useRouter()
  const draft = useDraft(start)
  const { now: report, change } = draft
  const [before, setBefore] = useState(kept)
  const [given, setGiven] = useState<Readonly<Record<string, string>>>(last)
  const [part, setPart] = useState<ReportPart>('heading')
  const [here, setHere] = useState(0)
  const [dropping, setDropping] = useState(false)
  const isWide = useWide()
  const see = useCallback((page: number) => setHere(page), [])
  const undo = draft.mayUndo ? draft.undo : undefined
  const redo = draft.mayRedo ? draft.redo : undefined
  useKeys({}, { 'Ctrl z': undo, 'Ctrl Z': undo, 'Ctrl y': redo, 'Ctrl Y': redo })
  const found = readList(book, list, { given, now: officeNow(), lists: book.lists })
  const edition = useEdition<Laid>(base, 'reports/lay', { report, given })
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
  async function save() {
    const saved = await answered(keepReport(bookId, { report, ...(before && { before }) }))
    if (!saved.ok) return void toast(wordProblem(saved.problem))
    setBefore(saved.value)
    draft.put(saved.value)
    toast('The report is kept.')
    router.replace(`${base}/reports/${saved.value.id}`)
    router.refresh()
  }
  async function takeFile(as: ReportFileKind) {
    const taken = await reportFile(base, report, given, as).catch((cause: unknown) => cause as Error)
    if (!(taken instanceof Error)) return handOver(taken, `${reportName(book, report, list).slice(0, 80)}.${as}`)
    toast(taken instanceof Refused ? taken.message : 'It could not be read to its end. Try again.')
  }
  const shared = { report, read, onChange: change }
  const beside = (
    <>
      <section aria-label="Choices" className="flex flex-col gap-2.5">
        <Choices {...shared} part={part} onLaid={edition.again} />
      </section>
      {now && <HowItFits report={report} edition={now} onChange={change} />}
    </>
  )
  return (
    <Room
      bare
      indexLabel="What the pages say"
      index={<Outline {...shared} list={list} chosen={part} onChoose={setPart} />}
      margin={isWide ? beside : undefined}
    >
      <div className="flex h-full flex-col">
        <ReportHead
          name={reportName(book, report, list)}
          edition={now}
          here={here}
          before={before}
          isChanged={before === undefined || !sameJson(before, report)}
          undo={undo}
          onKeep={() => void save()}
          onFile={takeFile}
          onDrop={() => setDropping(true)}
        />
        <div className="px-6 pb-3 empty:hidden max-md:px-3">
          <AskedBar list={list} given={given} onChange={setGiven} />
        </div>
        {!isWide && (
          <div className="flex max-h-[38%] flex-col gap-2.5 overflow-y-auto px-6 pb-3 max-md:px-3">{beside}</div>
        )}
        <LaidPages edition={edition} onSee={see} chosen={part === 'paper' ? undefined : part} onChoose={setPart} />
      </div>
      {dropping && before && (
        <DropDialog
          title={`Remove the report ${reportName(book, before, list)}?`}
          say="Neither its list nor any record goes with it."
          onClose={() => setDropping(false)}
          onDrop={() => answered(dropReport(bookId, { report: before.id }))}
          back={`${base}/reports`}
        />
      )}
    </Room>
  )
}
