'use client'

import dynamic from 'next/dynamic'
import type { Table } from '@/core/book'
import { readExpression, writtenName } from '@/core/expressions'
import { useRecords } from '../../records-context'
import type { Draft } from './draft'

// The editor is large, and few who ask for a list write in it.
const WrittenBox = dynamic(() => import('../../../expressions/written-box').then((module) => module.WrittenBox), {
  loading: () => <p className="text-[13px] text-ash-6">Opening the editor …</p>,
})

interface Props {
  readonly table: Table
  readonly draft: Draft
  readonly onChange: (to: Partial<Draft>) => void
}

/** Anything that can be calculated from a record and those it leads to. */
export function WriteParts({ table, draft, onChange }: Props) {
  const { book } = useRecords()
  const read = draft.source.trim() ? readExpression(book, table, draft.source) : undefined
  const text = table.fields.find(({ kind }) => kind === 'line')
  return (
    <WrittenBox
      book={book}
      id="calculate-source"
      label="What it is"
      table={table}
      source={draft.source}
      {...(text && { placeholder: `for example  UPPER(${writtenName(text.name)})` })}
      wrong={read && 'problem' in read ? read : undefined}
      sound={read ? 'It can be calculated.' : undefined}
      onChange={(source) => onChange({ source })}
    />
  )
}
