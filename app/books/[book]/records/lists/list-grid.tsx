'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { type ReactNode, useEffect, useRef } from 'react'
import type { Order, Table } from '@/core/book'
import type { ReadColumn } from '@/core/lists'
import type { ListLine } from '@/server/live'
import { MarkAll } from './change/mark-box'
import { gridOf, Heads, leastGrid, linesOf } from './grid-cells'
import { RecordRow } from './record-row'
import { walkCells } from './walk-cells'

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
  /** What all of them come to. */
  readonly foot?: ReactNode
}

/** The records of a list; only what is seen is drawn. A record takes as many lines as it has of what goes on lines each. */
export function ListGrid({ table, columns, lines, order, onOrder, onEnd, foot }: Props) {
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
  const template = gridOf(columns)
  return (
    <div
      ref={frame}
      role="grid"
      aria-label={table.name}
      aria-rowcount={-1}
      tabIndex={0}
      onKeyDown={walkCells}
      className="min-h-0 flex-1 overflow-auto border-t border-ash-3 focus-visible:-outline-offset-2"
    >
      <div role="presentation" style={{ minWidth: leastGrid(columns) }}>
        <Heads columns={columns} order={order} onOrder={onOrder}>
          <MarkAll lines={lines} />
        </Heads>
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
          {seen.map((item) => {
            const line = lines[item.index]
            return (
              line && (
                <RecordRow
                  key={line.ref}
                  table={table}
                  columns={columns}
                  line={line}
                  className="absolute top-0 left-0 w-full"
                  style={{ ...template, height: item.size, transform: `translateY(${item.start}px)` }}
                />
              )
            )
          })}
        </div>
        {foot}
      </div>
    </div>
  )
}
