'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { ArrowDown, ArrowUp } from 'lucide-react'
import Link from 'next/link'
import { useEffect, useRef } from 'react'
import type { Order, Table } from '@/core/book'
import { kindOf, showValue } from '@/core/kinds'
import type { Cell, ReadColumn } from '@/core/lists'
import type { ListLine } from '@/server/live'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'

const lineHeight = 22
const padding = 14

interface Props {
  readonly table: Table
  readonly columns: readonly ReadColumn[]
  readonly lines: readonly ListLine[]
  readonly order: readonly Order[]
  readonly onOrder: (order: readonly Order[]) => void
  /** Called when the end of what has been read comes into sight. */
  readonly onEnd: () => void
}

/** The records of a list; only what is seen is drawn. A record takes as many lines as it has of what goes on lines each. */
export function ListGrid({ table, columns, lines, order, onOrder, onEnd }: Props) {
  const frame = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => frame.current,
    estimateSize: (at) => linesOf(columns, lines[at]!) * lineHeight + padding,
    overscan: 12,
  })
  const seen = virtual.getVirtualItems()
  const last = seen.at(-1)?.index ?? 0
  useEffect(() => virtual.measure(), [virtual, lines, columns])
  useEffect(() => {
    if (lines.length > 0 && last >= lines.length - 30) onEnd()
  }, [last, lines.length, onEnd])
  const template = { gridTemplateColumns: columns.map(widthOf).join(' ') }
  return (
    <div ref={frame} className="min-h-0 flex-1 overflow-auto border-t border-ash-3" tabIndex={-1}>
      <div
        role="table"
        aria-label={table.name}
        style={{ minWidth: columns.reduce((sum, column) => sum + leastWidth(column), 40) }}
      >
        <div
          role="row"
          className="sticky top-0 z-10 grid border-b border-ash-4 bg-ash-1 px-4 max-md:px-1"
          style={template}
        >
          {columns.map((column) => (
            <Head key={column.id} column={column} order={order} onOrder={onOrder} />
          ))}
        </div>
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
          {seen.map((item) => (
            <div
              role="row"
              key={item.key}
              className="absolute top-0 left-0 grid w-full items-start border-b border-ash-3 px-4 py-1.5 hover:bg-ash-1 max-md:px-1"
              style={{ ...template, height: item.size, transform: `translateY(${item.start}px)` }}
            >
              {columns.map((column, at) => (
                <Words key={column.id} table={table} column={column} line={lines[item.index]!} first={at === 0} />
              ))}
            </div>
          ))}
        </div>
      </div>
    </div>
  )
}

const severalIn = ({ id }: ReadColumn, { cells }: ListLine) => (cells[id] ?? []) as readonly Cell[]

const linesOf = (columns: readonly ReadColumn[], line: ListLine) =>
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

function Head({ column, order, onOrder }: { readonly column: ReadColumn } & Pick<Props, 'order' | 'onOrder'>) {
  const here = order.find((one) => one.column === column.id)
  const look = classNames(
    'flex min-h-9 w-full items-center gap-1 rounded-sm px-2 text-[13px] font-semibold text-ash-6',
    kindOf(column.face.kind).align === 'end' && column.kind !== 'several' && 'justify-end',
  )
  // By what may be several nothing can be put in order.
  if (column.kind === 'several')
    return (
      <div role="columnheader" className={look} title={column.heading}>
        <span className="truncate">{column.heading}</span>
      </div>
    )
  const next = !here ? [{ column: column.id }] : here.down ? [] : [{ column: column.id, down: true as const }]
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
}

function Words({ table, column, line, first }: WordsProps) {
  const { book, base } = useRecords()
  const said = (cell: Cell) => {
    if (cell !== null && typeof cell === 'object') return cell.label
    if (column.face.kind === 'tick') return cell === '1' ? '✓' : ''
    return showValue(cell, column.face, book.look)
  }
  const look = classNames(
    'px-2 leading-[22px]',
    kindOf(column.face.kind).align === 'end' && column.kind !== 'several' && 'text-right',
    ['code', 'running'].includes(column.face.kind) && 'font-mono text-[13px]',
  )
  if (column.kind === 'several' && column.as === 'lines')
    return (
      <div role="cell" className={look}>
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
    <div role="cell" className={classNames(look, 'truncate')}>
      {first ? (
        <Link
          href={`${base}/${table.id}/record/${encodeURIComponent(line.ref)}`}
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
