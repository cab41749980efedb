'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { ArrowDown, ArrowUp } from 'lucide-react'
import Link from 'next/link'
import { useEffect, useRef } from 'react'
import { type Field, fieldOf, type Table } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { kindOf, showValue } from '@/core/kinds'
import type { Sort } from '@/core/lists'
import type { ListRow } from '@/core/records'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'

const rowHeight = 36

interface Props {
  readonly table: Table
  readonly columns: readonly string[]
  readonly rows: readonly ListRow[]
  readonly loading: boolean
  readonly sort: Sort | undefined
  readonly onSort: (sort: Sort | undefined) => void
  /** Called when the end of what has been read comes into sight. */
  readonly onEnd: () => void
}

/** The rows as a grid that draws only what is seen, however many there are. */
export function RowGrid({ table, columns, rows, loading, sort, onSort, onEnd }: Props) {
  const frame = useRef<HTMLDivElement>(null)
  const { book } = useRecords()
  // What is derived is shown like the fact that it looks like.
  const fields = columns.map((id) => displayOf(book, fieldOf(table, id)))

  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  })
  const seen = virtual.getVirtualItems()
  const last = seen.at(-1)?.index ?? 0
  useEffect(() => {
    if (rows.length > 0 && last >= rows.length - 30) onEnd()
  }, [last, rows.length, onEnd])

  // An empty table would promise rows to a screen reader.
  if (loading) return <p className="px-6 py-4 text-ash-6">Reading …</p>
  const template = { gridTemplateColumns: fields.map(widthOf).join(' ') }
  return (
    <div ref={frame} className="min-h-0 flex-1 overflow-auto border-t border-ash-3" tabIndex={-1}>
      <div
        role="table"
        aria-label={table.name}
        aria-rowcount={rows.length}
        style={{ minWidth: fields.map(leastWidth).reduce((sum, width) => sum + width, 40) }}
      >
        <div
          role="row"
          className="sticky top-0 z-10 grid border-b border-ash-4 bg-ash-1 px-4 max-md:px-1"
          style={template}
        >
          {fields.map((field) => (
            <ColumnHead key={field.id} field={field} sort={sort} onSort={onSort} />
          ))}
        </div>
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
          {seen.map((item) => (
            <Row
              key={item.key}
              table={table}
              fields={fields}
              row={rows[item.index]!}
              top={item.start}
              index={item.index}
              template={template}
            />
          ))}
        </div>
      </div>
    </div>
  )
}

/** The least width of a column in pixels, and its share of what is left over. */
function roomOf(field: Field): readonly [number, number] {
  const { control } = kindOf(field.kind)
  if (control === 'passage') return [220, 3]
  if (['link', 'email', 'web'].includes(field.kind)) return [150, 2]
  if (field.kind === 'line') return (field.length ?? 60) > 40 ? [150, 2] : [110, 1]
  if (control === 'tick' || control === 'mark') return [84, 0.6]
  return control === 'date-time' ? [162, 1] : [100, 1]
}

const leastWidth = (field: Field) => roomOf(field)[0]
const widthOf = (field: Field) => `minmax(${roomOf(field)[0]}px, ${roomOf(field)[1]}fr)`

function ColumnHead({
  field,
  sort,
  onSort,
}: {
  readonly field: Field
  readonly sort: Sort | undefined
  readonly onSort: Props['onSort']
}) {
  const here = sort?.field === field.id
  const next = !here ? { field: field.id, down: false } : sort.down ? undefined : { field: field.id, down: true }
  return (
    <div role="columnheader" aria-sort={here ? (sort.down ? 'descending' : 'ascending') : 'none'} className="min-w-0">
      <button
        type="button"
        onClick={() => onSort(next)}
        className={classNames(
          'flex min-h-9 w-full items-center gap-1 rounded-sm px-2 text-[13px] font-semibold text-ash-6 hover:text-ink focus-visible:-outline-offset-2',
          kindOf(field.kind).align === 'end' && 'justify-end',
        )}
      >
        <span className="truncate">{field.name}</span>
        {here && (sort.down ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
      </button>
    </div>
  )
}

interface RowProps {
  readonly table: Table
  readonly fields: readonly Field[]
  readonly row: ListRow
  readonly top: number
  readonly index: number
  readonly template: { readonly gridTemplateColumns: string }
}

function Row({ table, fields, row, top, index, template }: RowProps) {
  const { book, base } = useRecords()
  const href = `${base}/${table.id}/record/${encodeURIComponent(row.ref)}`
  return (
    <div
      role="row"
      aria-rowindex={index + 1}
      className="absolute top-0 left-0 grid h-9 w-full items-center border-b border-ash-3 px-4 hover:bg-ash-1 max-md:px-1"
      style={{ ...template, transform: `translateY(${top}px)` }}
    >
      {fields.map((field, at) => {
        const value = row.values[field.id] ?? null
        const words =
          row.labels[field.id] ??
          (field.kind === 'tick' ? (value === '1' ? '✓' : '') : showValue(value, field, book.look))
        return (
          <div
            role="cell"
            key={field.id}
            className={classNames(
              'truncate px-2',
              kindOf(field.kind).align === 'end' && 'text-right',
              ['code', 'running'].includes(field.kind) && 'font-mono text-[13px]',
            )}
          >
            {at === 0 ? (
              <Link href={href} className="rounded-sm font-semibold text-spruce hover:underline" prefetch={false}>
                {words || row.label || '—'}
              </Link>
            ) : (
              <span title={words.length > 24 ? words : undefined}>{words}</span>
            )}
          </div>
        )
      })}
    </div>
  )
}
