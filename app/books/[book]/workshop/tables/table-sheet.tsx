'use client'

import { useState } from 'react'
import type { Table } from '@/core/book'
import { SortableRows } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import { AddField } from './add-field'
import { ListWords } from './choices-editor'
import { FieldRow } from './field-row'
import { TableHead } from './table-head'

interface Props {
  readonly table: Table
  /** The field to unfold at first. */
  readonly field: string | undefined
  /** Whether one came to write down its next field, or its words. */
  readonly writes: boolean
  readonly onShow: (table: string) => void
}

/** One table: its head, its fields in order, and the line that adds the next. */
export function TableSheet({ table, field: first, writes, onShow }: Props) {
  const { edit } = useWorkshop()
  const [unfolded, setUnfolded] = useState(first)
  return (
    <>
      <TableHead table={table} onShow={onShow} />
      <div className="mt-4 grid grid-cols-[28px_minmax(110px,1fr)_minmax(150px,2fr)_minmax(140px,200px)] gap-x-3 border-b border-ash-4 pb-1.5 text-[13px] text-ash-6">
        <span />
        <span>Field</span>
        <span>What it holds</span>
        <span>What staff will see</span>
      </div>
      <SortableRows
        ids={table.fields.map((field) => field.id)}
        onPlace={(field, before) => edit({ kind: 'moveField', field, before })}
      >
        {(move) => (
          <ol aria-label={`Fields of ${table.name}`}>
            {table.fields.map((field) => (
              <FieldRow
                key={field.id}
                table={table}
                field={field}
                unfolded={field.id === unfolded}
                onUnfold={(open) => setUnfolded(open ? field.id : undefined)}
                onMove={(by) => move(field.id, by)}
              />
            ))}
          </ol>
        )}
      </SortableRows>
      <AddField table={table} asked={writes && table.role !== 'word-list'} />
      {table.role === 'word-list' && <ListWords table={table} asked={writes} onShow={onShow} />}
    </>
  )
}
