'use client'

import { Redo2, Undo2 } from 'lucide-react'
import Link from 'next/link'
import { tableOf } from '@/core/book'
import { laidAfresh } from '@/core/forms'
import { inSentence, plural } from '@/core/words'
import type { LiveRecord } from '@/server/live'
import { Button, buttonLook, IconButton, Tag } from '@/ui/kit'
import { useRecords } from '../records-context'
import type { FormDraft } from './use-form-draft'

interface Props {
  readonly draft: FormDraft
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  readonly onDrop: () => void
}

/** What the form is called, with which record it is shown, and what can be done with all of it. */
export function ArrangeHead({ draft, tableId, stored, onDrop }: Props) {
  const { book, base } = useRecords()
  const { form, before, isChanged, undo, redo } = draft
  const noun = inSentence(tableOf(book, tableId).name)
  const use = stored ? `record/${encodeURIComponent(stored.row.ref)}` : 'new'
  return (
    <header className="mb-4 flex flex-wrap items-start justify-between gap-3">
      <div className="flex min-w-0 flex-wrap items-baseline gap-x-3">
        <h1 className="min-w-0 text-[22px] leading-tight [overflow-wrap:anywhere]">
          {form.name.trim() || 'Without a name'}
        </h1>
        <span className="text-[13px] text-ash-6">
          for {plural(noun)}, shown with {stored ? stored.row.label || stored.row.ref : 'examples'}
        </span>
        {isChanged && <Tag look="brass">{before ? 'changed' : 'not kept yet'}</Tag>}
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <IconButton label="Undo" disabled={!undo} onClick={() => undo?.()}>
          <Undo2 size={16} aria-hidden />
        </IconButton>
        <IconButton label="Redo" disabled={!redo} onClick={() => redo?.()}>
          <Redo2 size={16} aria-hidden />
        </IconButton>
        <Button onClick={() => draft.change(laidAfresh(book, tableId, draft.lines))}>Lay out afresh</Button>
        {before && <Button onClick={onDrop}>Remove</Button>}
        {isChanged ? (
          <Button look="main" keys="Ctrl S" onClick={draft.save}>
            {before ? 'Keep changes' : 'Keep it'}
          </Button>
        ) : (
          <Link href={`${base}/${tableId}/${use}`} className={buttonLook('main')}>
            Use it
          </Link>
        )}
      </div>
    </header>
  )
}
