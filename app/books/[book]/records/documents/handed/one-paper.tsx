'use client'

import { Printer } from 'lucide-react'
import Link from 'next/link'
import { useState } from 'react'
import { findTable } from '@/core/book'
import { inSentence } from '@/core/words'
import type { Differences, Paper } from '@/server/reports'
import { Button, Menu, MenuItem, Note, WordButton } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { LaidPages } from '../../paper/laid-pages'
import { PdfLink } from '../../paper/pdf-link'
import { pdfOf, useEdition } from '../../paper/use-edition'
import { useRecords } from '../../records-context'
import { sayMade } from './say-made'

interface Props {
  readonly paper: Paper
  readonly differences: Differences | undefined
}

const nothing = () => undefined

/** A paper that was handed out: as it was, marked as a copy; and beside it, what it would say today. */
export function OnePaper({ paper, differences }: Props) {
  const { book, base } = useRecords()
  const [beside, setBeside] = useState(false)
  const edition = useEdition<{ documents: number }>(base, 'documents/handed/lay', { papers: [paper.id] })
  const laid = edition.now?.laid ? edition.now.id : undefined
  const noun = inSentence(findTable(book, paper.table)?.name ?? 'record')
  const take = (path: string) => window.location.assign(path)
  return (
    <Room
      bare
      marginLabel="About this paper"
      margin={
        <>
          <Note
            mark="info"
            head={`Handed out ${sayMade(paper.madeAt)}`}
            actions={
              <Link
                href={`${base}/${paper.table}/record/${encodeURIComponent(paper.ref)}`}
                className="inline-flex min-h-7 items-center px-1 font-semibold text-spruce underline underline-offset-2"
              >
                To the {noun}
              </Link>
            }
          >
            By {paper.by}, for {noun} {paper.label}.
          </Note>
          {differences && <Difference differences={differences} beside={beside} onBeside={setBeside} />}
        </>
      }
    >
      <div className="flex h-full flex-col">
        <header className="flex flex-wrap items-start justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
          <h1 className="min-w-0 flex-1 basis-60 text-[22px] leading-tight [overflow-wrap:anywhere]">
            {paper.name} <span className="font-mono font-normal">{paper.number}</span>
          </h1>
          <div className="flex flex-wrap gap-2">
            <PdfLink href={laid && pdfOf(base, laid, 'look')}>
              <Printer size={15} aria-hidden /> Print a copy
            </PdfLink>
            <Menu
              trigger={
                <Button look="main" disabled={!laid}>
                  Take as PDF
                </Button>
              }
            >
              <MenuItem onSelect={() => laid && take(pdfOf(base, laid, 'file'))} say="marked as one">
                A copy
              </MenuItem>
              <MenuItem
                onSelect={() => take(`${base}/documents/handed/${paper.id}/pdf`)}
                say="byte by byte as it was handed out"
              >
                The file that is kept
              </MenuItem>
            </Menu>
          </div>
        </header>
        <div className="flex min-h-0 flex-1 max-md:flex-col">
          <div className="flex min-h-0 min-w-0 flex-1 flex-col">
            {beside && <p className="bg-ash-2 px-6 pt-2 text-[13px] font-semibold">As it was handed out</p>}
            <LaidPages edition={edition} onSee={nothing} />
          </div>
          {beside && <Today paper={paper.id} />}
        </div>
      </div>
    </Room>
  )
}

function Today({ paper }: { readonly paper: string }) {
  const { base } = useRecords()
  const edition = useEdition<{ documents: number }>(base, 'documents/handed/lay', { papers: [paper], today: true })
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col border-l border-ash-3">
      <p className="bg-ash-2 px-6 pt-2 text-[13px] font-semibold">As it would be today</p>
      <LaidPages edition={edition} onSee={nothing} />
    </div>
  )
}

interface DifferenceProps {
  readonly differences: Differences
  readonly beside: boolean
  readonly onBeside: (beside: boolean) => void
}

/** So many lines are told on either side. */
const mostLines = 6

/** Whether the paper would be another with the values of today. */
function Difference({ differences: { isGone, isSame, was, is }, beside, onBeside }: DifferenceProps) {
  if (isGone)
    return (
      <Note mark="look" head="It can’t be written again">
        Its record is gone, or something that it speaks of. The paper stays as it is.
      </Note>
    )
  if (isSame)
    return (
      <Note mark="fine" head="It would say the same today">
        With the values of today the paper would be the very same.
      </Note>
    )
  return (
    <Note
      mark="look"
      head="Today it would say something else"
      actions={<WordButton onClick={() => onBeside(!beside)}>{beside ? 'The paper alone' : 'Side by side'}</WordButton>}
    >
      {was.length === 0 && is.length === 0 && 'The same lines stand in other places, or a code says something else.'}
      <Lines head="On the paper" lines={was} />
      <Lines head="Today" lines={is} />
    </Note>
  )
}

const Lines = ({ head, lines }: { readonly head: string; readonly lines: readonly string[] }) =>
  lines.length > 0 && (
    <div className="pt-1">
      <p className="text-xs text-ash-6">{head}</p>
      <ul>
        {lines.slice(0, mostLines).map((line, at) => (
          <li key={at} className="[overflow-wrap:anywhere]">
            {line}
          </li>
        ))}
        {lines.length > mostLines && <li className="text-ash-6">and {lines.length - mostLines} more</li>}
      </ul>
    </div>
  )
