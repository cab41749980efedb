'use client'

import type { Editor } from '@tiptap/react'
import { useState } from 'react'
import { type Column, type List, type RowsBlock, type Table } from '@/core/book'
import { readList, type ReadColumn } from '@/core/lists'
import { CalculateDialog } from '../../lists/calculate/calculate-dialog'
import { FieldsInReach } from '../../lists/fields-in-reach'
import { useRecords } from '../../records-context'
import { PartsIndex } from './parts-index'
import { useRowsList } from './rows-choices'
import { type Selected, setPart } from './selected'
import type { FieldsParts } from './text-of'

interface Props {
  readonly editor: Editor
  readonly table: Table
  readonly selected: Selected
  readonly onOnly: () => void
}

/** At the left: what can be put in; where a block of fields or rows is chosen, which of them stand in it. */
export function IndexBeside({ editor, table, selected: { part }, onOnly }: Props) {
  if (part?.name === 'rows')
    return (
      <RowColumns block={part.attrs.parts as RowsBlock} onChange={(parts) => setPart(editor, part.at, { parts })} />
    )
  if (part?.name === 'fields')
    return (
      <BlockFields
        table={table}
        parts={part.attrs.parts as FieldsParts}
        onChange={(parts) => setPart(editor, part.at, { parts })}
      />
    )
  return <PartsIndex editor={editor} table={table} onOnly={onOnly} />
}

interface RowsProps {
  readonly block: RowsBlock
  readonly onChange: (block: RowsBlock) => void
}

function RowColumns({ block, onChange }: RowsProps) {
  const list = useRowsList(block)
  if (!list) return null
  return (
    <Ticked
      list={list}
      onChange={(columns) => {
        const isThere = (id: string) => columns.some((one) => one.id === id)
        const { figures, ...rest } = block
        const left = figures?.filter(({ column }) => isThere(column)) ?? []
        const order = block.order.filter(({ column }) => isThere(column))
        onChange({ ...rest, columns, order, ...(left.length > 0 && { figures: left }) })
      }}
    />
  )
}

interface FieldsProps {
  readonly table: Table
  readonly parts: FieldsParts
  readonly onChange: (parts: FieldsParts) => void
}

function BlockFields({ table, parts, onChange }: FieldsProps) {
  const columns = parts.columns.map((one, at): Column => ({ id: `f${at}`, ...one }))
  const list: List = { id: 'fields', table: table.id, columns, asks: [], order: [] }
  return (
    <Ticked list={list} onChange={(next) => onChange({ ...parts, columns: next.map(({ id: _id, ...one }) => one) })} />
  )
}

interface TickedProps {
  readonly list: List
  readonly onChange: (columns: readonly Column[]) => void
}

/** Fields ticked as in a list, and columns that are calculated. */
function Ticked({ list, onChange }: TickedProps) {
  const { book } = useRecords()
  const [calculating, setCalculating] = useState<{ readonly column: Column | undefined }>()
  const found = readList(book, list, { given: {}, now: { moment: '2000-01-01T00:00' }, lists: book.lists })
  const columns: readonly ReadColumn[] = 'read' in found ? found.read.columns : []
  return (
    <>
      <FieldsInReach
        list={list}
        onChange={onChange}
        calculated={columns.flatMap(({ id, heading, kind }) => (kind === 'calculated' ? [{ id, heading }] : []))}
        onCalculate={(id) => setCalculating({ column: list.columns.find((one) => one.id === id) })}
      />
      {calculating && (
        <CalculateDialog
          list={list}
          columns={columns}
          column={calculating.column}
          alone
          onClose={() => setCalculating(undefined)}
          onKeep={(column) => {
            setCalculating(undefined)
            const isThere = list.columns.some(({ id }) => id === column.id)
            onChange(
              isThere ? list.columns.map((one) => (one.id === column.id ? column : one)) : [...list.columns, column],
            )
          }}
        />
      )}
    </>
  )
}
