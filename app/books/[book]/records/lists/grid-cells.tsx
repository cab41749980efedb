'use client'

import Link from 'next/link'
import { ArrowDown, ArrowUp } from 'lucide-react'
import type { KeyboardEvent, MouseEvent, ReactNode } from 'react'
import type { Order, Table } from '@/core/book'
import { kindOf } from '@/core/kinds'
import type { Cell, ReadColumn } from '@/core/lists'
import type { ListLine } from '@/server/live'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'
import { sayCell } from './say-cell'
import { useTrailTo } from './trail'

const severalIn = ({ id }: ReadColumn, { cells }: ListLine) => (cells[id] ?? []) as readonly Cell[]

/** How many lines a record takes. */
export const linesOf = (columns: readonly ReadColumn[], line: ListLine) =>
  Math.max(
    1,
    ...columns.map((column) =>
      column.kind === 'several' && column.as === 'lines' ? severalIn(column, line).length : 1,
    ),
  )

const leastWidth = ({ face, kind }: ReadColumn) => {
  if (kind === 'several') return 180
  const { control, align } = kindOf(face.kind)
  if (control === 'passage' || control === 'link' || face.kind === 'email') return 170
  if (control === 'date-time') return 162
  return align === 'end' || control === 'date' || control === 'tick' ? 104 : 130
}
const widthOf = (column: ReadColumn) => `minmax(${leastWidth(column)}px, ${leastWidth(column) >= 130 ? 2 : 1}fr)`

/** The room at both ends of a row; the first end is where a record is marked. */
export const rowRoom = 'pr-4 pl-9 max-md:pr-1 max-md:pl-7'

/** The columns of a list side by side. */
export const gridOf = (columns: readonly ReadColumn[]) => ({ gridTemplateColumns: columns.map(widthOf).join(' ') })
export const leastGrid = (columns: readonly ReadColumn[]) =>
  columns.reduce((sum, column) => sum + leastWidth(column), 60)

interface HeadsProps {
  readonly columns: readonly ReadColumn[]
  readonly order: readonly Order[]
  /** None where the order can't be changed. */
  readonly onOrder?: ((order: readonly Order[]) => void) | undefined
  /** What stands before them: the box that marks all. */
  readonly children?: ReactNode
}

/** The headings, which stay in sight; pressing one puts the records in its order. */
export const Heads = ({ columns, order, onOrder, children }: HeadsProps) => (
  <div
    role="row"
    className={classNames('sticky top-0 z-10 grid border-b border-ash-4 bg-ash-1', rowRoom)}
    style={gridOf(columns)}
  >
    {children}
    {columns.map((column) => (
      <Head key={column.id} column={column} order={order} onOrder={onOrder} />
    ))}
  </div>
)

function Head({ column, order, onOrder }: { readonly column: ReadColumn } & Omit<HeadsProps, 'columns' | 'children'>) {
  const here = order.find((one) => one.column === column.id)
  const look = classNames(
    'flex min-h-9 w-full items-center gap-1 rounded-sm px-2 text-[13px] font-semibold text-ash-6',
    kindOf(column.face.kind).align === 'end' && column.kind !== 'several' && 'justify-end',
  )
  // By what may be several nothing can be put in order.
  if (column.kind === 'several' || column.kind === 'along' || !onOrder)
    return (
      <div role="columnheader" className={look} title={column.heading}>
        <span className="truncate">{column.heading}</span>
      </div>
    )
  const next = !here ? [{ column: column.id }] : here.down ? [] : [{ ...here, down: true as const }]
  return (
    <div role="columnheader" aria-sort={here ? (here.down ? 'descending' : 'ascending') : 'none'} className="min-w-0">
      <button
        type="button"
        title={column.heading}
        onClick={() => onOrder(next)}
        className={classNames(look, 'hover:text-ink focus-visible:-outline-offset-2')}
      >
        <span className="truncate">{column.heading}</span>
        {here && (here.down ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
      </button>
    </div>
  )
}

interface WordsProps {
  readonly table: Table
  readonly column: ReadColumn
  readonly line: ListLine
  readonly first: boolean
  /** Whether it can be changed where it stands. */
  readonly changes: boolean
  readonly onKeyDown: (event: KeyboardEvent<HTMLElement>) => void
  readonly onDoubleClick: (event: MouseEvent<HTMLElement>) => void
}

/** What stands in a column of a record. */
export function Words({ table, column, line, first, changes, onKeyDown, onDoubleClick }: WordsProps) {
  const { book, base } = useRecords()
  const trail = useTrailTo(base)
  const said = (cell: Cell) => sayCell(book, column, cell)
  const look = classNames(
    'scroll-mt-10 rounded-sm px-2 leading-[22px] focus-visible:-outline-offset-2',
    changes && 'cursor-text',
    kindOf(column.face.kind).align === 'end' && column.kind !== 'several' && 'text-right',
    ['code', 'running'].includes(column.face.kind) && 'font-mono text-[13px]',
  )
  const cell = { role: 'gridcell', tabIndex: -1, 'data-cell': true, onKeyDown, onDoubleClick }
  if (column.kind === 'several' && column.as === 'lines')
    return (
      <div {...cell} className={look}>
        {severalIn(column, line).map((cell, at) => (
          <span key={at} className="block truncate">
            {said(cell) || '—'}
          </span>
        ))}
      </div>
    )
  const words =
    column.kind === 'several'
      ? severalIn(column, line).map(said).filter(Boolean).join(', ')
      : said((line.cells[column.id] ?? null) as Cell)
  return (
    <div {...cell} className={classNames(look, 'truncate')}>
      {first ? (
        <Link
          tabIndex={-1}
          href={`${base}/${table.id}/record/${encodeURIComponent(line.ref)}${trail.more}`}
          onClick={trail.keep}
          className="rounded-sm font-semibold text-spruce hover:underline"
          prefetch={false}
        >
          {words || '—'}
        </Link>
      ) : (
        <span title={words.length > 24 ? words : undefined}>{words}</span>
      )}
    </div>
  )
}
