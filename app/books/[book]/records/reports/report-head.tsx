'use client'

import { FileDown, Printer, Undo2 } from 'lucide-react'
import { useState } from 'react'
import type { Report } from '@/core/book'
import type { EditionNow, ReportFileKind } from '@/server/reports'
import { Button, IconButton, Menu, MenuItem, Tag } from '@/ui/kit'
import { useRecords } from '../records-context'
import { PdfLink } from '../paper/pdf-link'
import { sayPages } from '../paper/say-pages'
import { WaitInTray } from '../tray/wait-in-tray'
import { pdfOf } from '../paper/use-edition'

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
  readonly onFile: (as: ReportFileKind) => Promise<void>
  readonly onDrop: () => void
}

/** What a report is called, how many pages it has, and what can be done with all of it. */
export function ReportHead({ name, edition, here, before, isChanged, undo, onKeep, onFile, onDrop }: Props) {
  const { base, mayChange } = useRecords()
  const laid = edition?.laid ? edition.id : undefined
  return (
    <header className="flex flex-wrap items-start justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
      <div className="flex min-w-0 flex-1 basis-60 flex-wrap items-baseline gap-x-3">
        <h1 className="min-w-0 text-[22px] leading-tight [overflow-wrap:anywhere]">{name}</h1>
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
        <WaitInTray edition={edition} />
        <PdfLink href={laid && pdfOf(base, laid, 'look')}>
          <Printer size={15} aria-hidden /> Print
        </PdfLink>
        <HandOut laid={laid} onFile={onFile} />
      </div>
    </header>
  )
}

interface HandOutProps {
  /** The edition, when all of its pages are laid. */
  readonly laid: string | undefined
  readonly onFile: (as: ReportFileKind) => Promise<void>
}

/** Files that a report comes as. */
function HandOut({ laid, onFile }: HandOutProps) {
  const { base } = useRecords()
  const [busy, setBusy] = useState(false)
  const take = async (as: ReportFileKind) => {
    setBusy(true)
    await onFile(as)
    setBusy(false)
  }
  return (
    <Menu
      trigger={
        <Button look="main" disabled={!laid || busy}>
          <FileDown size={15} aria-hidden /> {busy ? 'Writing …' : 'Hand out'}
        </Button>
      }
    >
      <MenuItem
        onSelect={() => laid && window.location.assign(pdfOf(base, laid, 'file'))}
        say="these very pages, for paper and to send"
      >
        PDF
      </MenuItem>
      <MenuItem onSelect={() => void take('xlsx')} say="with groups that fold, and sums as formulas">
        Spreadsheet
      </MenuItem>
      <MenuItem onSelect={() => void take('csv')} say="plain values for other programs, without sums">
        CSV
      </MenuItem>
      <MenuItem onSelect={() => void take('html')} say="one file, for the web and for e-mail">
        Web page
      </MenuItem>
    </Menu>
  )
}
