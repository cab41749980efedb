'use client'

import Link from 'next/link'
import type { Table, Template } from '@/core/book'
import { Button, buttonLook, Segments, Tag } from '@/ui/kit'
import { inSentence, plural } from '@/core/words'
import { useRecords } from '../records-context'
import { outPath } from './hand-out-of'

interface Props {
  readonly table: Table
  readonly template: Template
  readonly isKept: boolean
  readonly isChanged: boolean
  readonly mode: 'write' | 'pages'
  readonly onMode: (mode: 'write' | 'pages') => void
  readonly onKeep: () => void
  readonly onDrop: () => void
  readonly record: { readonly ref: string; readonly label: string } | undefined
}

/** What a document is called, how it is looked at, and what can be done with it. */
export function DocumentHead({ table, template, isKept, isChanged, mode, onMode, onKeep, onDrop, record }: Props) {
  const { base, mayChange } = useRecords()
  return (
    <header className="flex flex-wrap items-start justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
      <div className="flex min-w-0 flex-1 basis-60 flex-wrap items-baseline gap-x-3">
        <h1 className="min-w-0 text-[22px] leading-tight [overflow-wrap:anywhere]">
          {template.name.trim() || 'Without a name'}
        </h1>
        <span className="text-[13px] text-ash-6">for {plural(inSentence(table.name))}</span>
        {isChanged && mayChange && <Tag look="brass">{isKept ? 'changed' : 'not kept yet'}</Tag>}
      </div>
      <div className="flex flex-wrap gap-2">
        <Segments
          label="How it is seen"
          value={mode}
          options={[
            { value: 'write', words: mayChange ? 'Write' : 'Text' },
            { value: 'pages', words: 'As pages' },
          ]}
          onChange={onMode}
        />
        {mayChange && isKept && <Button onClick={onDrop}>Remove</Button>}
        {isKept && !isChanged && record && (
          <Link
            href={outPath(base, { table: table.id, document: template.id, ref: record.ref, label: record.label })}
            className={buttonLook()}
          >
            Hand out
          </Link>
        )}
        {mayChange && isChanged && (
          <Button look="main" onClick={onKeep}>
            {isKept ? 'Keep changes' : 'Keep it'}
          </Button>
        )}
      </div>
    </header>
  )
}
