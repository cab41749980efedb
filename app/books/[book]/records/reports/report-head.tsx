'use client'

import { FileDown, Printer, Undo2 } from 'lucide-react'
import type { ReactNode } from 'react'
import type { Report } from '@/core/book'
import type { EditionNow } from '@/server/reports'
import { Button, buttonLook, IconButton, Tag } from '@/ui/kit'
import { useRecords } from '../records-context'
import { sayPages } from './how-it-fits'
import { pdfOf } from './use-edition'

interface Props {
  readonly name: string
  readonly edition: EditionNow | undefined
  /** The page in sight. */
  readonly here: number
  /** As it is kept; none where it isn't yet. */
  readonly before: Report | undefined
  readonly isChanged: boolean
  readonly undo: (() => void) | undefined
  readonly onKeep: () => void
  readonly onDrop: () => void
}

/** What a report is called, how many pages it has, and what can be done with all of it. */
export function ReportHead({ name, edition, here, before, isChanged, undo, onKeep, onDrop }: Props) {
  const { base, mayChange } = useRecords()
  const laid = edition?.laid ? edition.id : undefined
  return (
    <header className="flex flex-wrap items-start justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
      <div className="flex min-w-0 flex-1 basis-60 flex-wrap items-baseline gap-x-3">
        <h1 className="text-[22px] leading-tight">{name}</h1>
        <span role="status" className="text-[13px] text-ash-6">
          {edition && edition.pages > 0 && sayPages(edition, here)}
        </span>
        {isChanged && <Tag look="brass">{before ? 'changed' : 'not kept yet'}</Tag>}
      </div>
      <div className="flex flex-wrap gap-2">
        <IconButton label="Take the last change back" disabled={!undo} onClick={undo}>
          <Undo2 size={15} aria-hidden />
        </IconButton>
        {mayChange && before && <Button onClick={onDrop}>Remove</Button>}
        {mayChange && isChanged && <Button onClick={onKeep}>{before ? 'Keep changes' : 'Keep it'}</Button>}
        <Out href={laid && pdfOf(base, laid, 'look')} isNew>
          <Printer size={15} aria-hidden /> Print
        </Out>
        <Out href={laid && pdfOf(base, laid, 'file')} look="main">
          <FileDown size={15} aria-hidden /> PDF
        </Out>
      </div>
    </header>
  )
}

interface OutProps {
  readonly href: string | undefined
  readonly isNew?: boolean
  readonly look?: 'main'
  readonly children: ReactNode
}

/** Goes to the PDF as soon as all pages are laid. */
function Out({ href, isNew, look = undefined, children }: OutProps) {
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
