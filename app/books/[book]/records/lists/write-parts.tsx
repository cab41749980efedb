'use client'

import dynamic from 'next/dynamic'
import type { Table } from '@/core/book'
import { readExpression, writtenName } from '@/core/expressions'
import { useRecords } from '../records-context'

// The editor is large, and few who ask for a list write in it.
const WrittenBox = dynamic(() => import('../../expressions/written-box').then((module) => module.WrittenBox), {
  loading: () => <p className="text-[13px] text-ash-6">Opening the editor …</p>,
})

interface Props {
  readonly id: string
  readonly label: string
  readonly table: Table
  readonly source: string
  readonly onChange: (source: string) => void
}

/** Anything that can be calculated from a record and those it leads to. */
export function WriteParts({ id, label, table, source, onChange }: Props) {
  const { book } = useRecords()
  const read = source.trim() ? readExpression(book, table, source) : undefined
  const text = table.fields.find(({ kind }) => kind === 'line')
  return (
    <WrittenBox
      book={book}
      id={id}
      label={label}
      table={table}
      source={source}
      {...(text && { placeholder: `for example  CHAR_LENGTH(${writtenName(text.name)}) > 20` })}
      wrong={read && 'problem' in read ? read : undefined}
      sound={read ? 'It can be calculated.' : undefined}
      onChange={onChange}
    />
  )
}
