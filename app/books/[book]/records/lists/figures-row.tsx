'use client'

import type { ReactNode } from 'react'
import { kindOf, showValue } from '@/core/kinds'
import { type GroupLine, type ReadColumn, type ReadFigure, sayFigure } from '@/core/lists'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'
import { gridOf, rowRoom } from './grid-cells'

interface Props {
  readonly columns: readonly ReadColumn[]
  readonly figures: readonly ReadFigure[]
  readonly line: GroupLine | undefined
  /** What the row is of; it takes the room up to the first figure. */
  readonly children: ReactNode
  readonly className: string
}

/** A row of what some records come to, each figure beneath its column. */
export function FiguresRow({ columns, figures, line, children, className }: Props) {
  const first = columns.findIndex(({ id }) => figures.some(({ column }) => column.id === id))
  // Where the first column has a figure, what the row is of takes a line of its own.
  const room = first === 0 || first < 0 ? columns.length : first
  const after = first <= 0 ? columns : columns.slice(first)
  return (
    <div role="row" className={classNames('grid items-center', rowRoom, className)} style={gridOf(columns)}>
      <div role="rowheader" className="min-w-0 px-2 py-1.5" style={{ gridColumn: `1 / span ${room}` }}>
        {children}
      </div>
      {first >= 0 &&
        after.map((column) => (
          <FigureCell
            key={column.id}
            column={column}
            figure={figures.find((one) => one.column.id === column.id)}
            line={line}
          />
        ))}
    </div>
  )
}

interface CellProps {
  readonly column: ReadColumn
  readonly figure: ReadFigure | undefined
  readonly line: GroupLine | undefined
}

function FigureCell({ column, figure, line }: CellProps) {
  const { book } = useRecords()
  if (!figure) return <div role="gridcell" />
  const name = column.kind === 'gathered' ? undefined : figure.name === 'count' ? undefined : figure.name
  const words = line ? showValue(line.figures[column.id] ?? null, figure.face, book.look) || '—' : '…'
  const isRight = kindOf(column.face.kind).align === 'end' && column.kind !== 'several'
  return (
    <div
      role="gridcell"
      title={`${sayFigure(column, name)}: ${words}`}
      className={classNames('min-w-0 truncate px-2 py-1.5 font-semibold', isRight && 'text-right')}
    >
      {/* A total under a column of amounts says itself; anything else says what it is. */}
      {name && name !== 'total' && <span className="font-normal text-ash-6">{short[name]} </span>}
      {words}
    </div>
  )
}

const short = { total: '', average: 'average', least: 'least', greatest: 'greatest', different: 'different' } as const

/** What all records of a list come to; it stays in sight. */
export const AllOfThem = ({
  line,
  children,
  ...props
}: Omit<Props, 'className' | 'children'> & { readonly children?: ReactNode }) => (
  <FiguresRow {...props} line={line} className="sticky bottom-0 border-t-2 border-ink bg-paper">
    <b className="font-semibold">All{line ? ` ${line.count.toLocaleString('en-GB')}` : ''}</b>
    {children}
  </FiguresRow>
)
