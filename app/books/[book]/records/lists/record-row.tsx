'use client'

import { useRouter } from 'next/navigation'
import { type CSSProperties, type KeyboardEvent, useState } from 'react'
import type { Field, Table } from '@/core/book'
import { kindOf } from '@/core/kinds'
import type { Cell, ReadColumn } from '@/core/lists'
import type { ListLine } from '@/server/live'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'
import { CellBox } from './change/cell-box'
import { changeableIn } from './change/changeable'
import { useChanging } from './change/changing'
import { MarkBox } from './change/mark-box'
import { rowRoom, Words } from './grid-cells'
import { useTrailTo } from './trail'

interface Props {
  readonly table: Table
  readonly columns: readonly ReadColumn[]
  readonly line: ListLine
  readonly className?: string
  readonly style: CSSProperties
}

interface Begun {
  readonly column: ReadColumn
  readonly field: Field
  readonly at: HTMLElement
  readonly typed: string | undefined
}

/** Kinds of boxes that a letter typed on a cell begins. */
const typedInto = ['line', 'number', 'date', 'time', 'date-time']

/** One record of a list: its cells can be walked through, and changed where they may be. */
export function RecordRow({ table, columns, line, className, style }: Props) {
  const { base } = useRecords()
  const router = useRouter()
  const changing = useChanging()
  const trail = useTrailTo(base)
  const [begun, setBegun] = useState<Begun>()
  const isMarked = changing?.marked.has(line.ref) ?? false
  const begin = (column: ReadColumn, at: HTMLElement, typed?: string): boolean => {
    const field = changing && changeableIn(table, column)
    if (!field || (typed !== undefined && !typedInto.includes(kindOf(field.kind).control))) return false
    setBegun({ column, field, at, typed })
    return true
  }
  const onKeyDown = (column: ReadColumn) => (event: KeyboardEvent<HTMLElement>) => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) return
    if (event.key === ' ' && changing) {
      changing.mark([line], !isMarked)
    } else if (event.key === 'Enter' || event.key === 'F2') {
      if (!begin(column, event.currentTarget) && event.key === 'Enter') {
        trail.keep()
        router.push(`${base}/${table.id}/record/${encodeURIComponent(line.ref)}${trail.more}`)
      }
    } else if (event.key.length !== 1 || event.key === ' ' || !begin(column, event.currentTarget, event.key)) return
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    <div
      role="row"
      data-row
      aria-selected={changing ? isMarked : undefined}
      className={classNames(
        'grid items-start border-b border-ash-3 py-1.5',
        rowRoom,
        isMarked ? 'bg-spruce-tint' : 'hover:bg-ash-1',
        className ?? 'relative',
      )}
      style={style}
    >
      <MarkBox line={line} words={line.ref} />
      {columns.map((column, at) => (
        <Words
          key={column.id}
          table={table}
          column={column}
          line={line}
          first={at === 0}
          changes={changing !== undefined && changeableIn(table, column) !== undefined}
          onKeyDown={onKeyDown(column)}
          onDoubleClick={(event) => begin(column, event.currentTarget)}
        />
      ))}
      {begun && changing && (
        <CellBox
          changing={changing}
          field={begun.field}
          line={line}
          cell={(line.cells[begun.column.id] ?? null) as Cell}
          at={begun.at}
          typed={begun.typed}
          onClose={() => setBegun(undefined)}
        />
      )}
    </div>
  )
}
