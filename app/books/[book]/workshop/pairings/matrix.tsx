'use client'

import { type KeyboardEvent, useEffect, useMemo, useRef } from 'react'
import type { Table } from '@/core/book'
import { feetFor, type PairOfTables, pairState } from '@/core/pairings'
import { classNames } from '@/ui/kit'
import { FootLine } from '@/ui/drawing/crows-foot'
import { useWorkshop } from '../workshop-context'
import { bringInSight, pitch, useReach, useWindow } from './use-window'

interface Props {
  readonly tables: readonly Table[]
  readonly chosen: readonly [string, string] | undefined
  /** Pairs that needn't be asked about. */
  readonly apart: readonly PairOfTables[]
  readonly onChoose: (a: string, b: string) => void
}

/**
 * Half a square of tables against tables: each pair once, each table with itself on the diagonal. Only what is in
 * sight is drawn.
 */
export function Matrix({ tables, chosen, apart, onChoose }: Props) {
  const alone = useMemo(() => new Set(apart.map(({ a, b }) => `${a.id}~${b.id}`)), [apart])
  const frame = useRef<HTMLDivElement>(null)
  const { rows, columns } = useWindow(frame, tables.length)
  const reach = useReach(frame)
  const place = useMemo(() => new Map(tables.map(({ id }, at) => [id, at])), [tables])
  const at = chosen && { row: place.get(chosen[1]) ?? -1, column: place.get(chosen[0]) ?? -1 }
  const [hereRow, hereColumn] = [at?.row ?? -1, at?.column ?? -1]
  useEffect(() => {
    if (frame.current && hereRow >= 0 && hereColumn >= 0)
      bringInSight(frame.current, { row: hereRow, column: hereColumn })
  }, [hereRow, hereColumn])
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key]
    const from = (event.target as HTMLElement).closest('[data-at]')?.getAttribute('data-at')?.split('.').map(Number)
    if (!step || !from) return
    event.preventDefault()
    const [row, column] = [from[0]! + step[0]!, from[1]! + step[1]!]
    if (row >= 0 && row < tables.length && column >= 0 && column <= row) reach({ row, column })
  }
  const across = tables.slice(columns.from, columns.to)
  const isHereDrawn = hereRow >= rows.from && hereRow < rows.to && hereColumn >= columns.from && hereColumn < columns.to
  const begin = isHereDrawn ? undefined : `${rows.from}.${Math.min(columns.from, rows.from)}`
  // Names are as wide as their squares in any case; of many, all are as high as two lines.
  const many = tables.length > 40
  return (
    <div
      ref={frame}
      className={classNames(
        'overflow-auto pb-1',
        // The chosen pair's questions stand below.
        chosen ? 'max-h-[max(240px,calc(100vh-570px))]' : 'max-h-[max(240px,calc(100vh-300px))]',
      )}
    >
      <table
        aria-rowcount={tables.length + 1}
        aria-colcount={tables.length + 1}
        className="border-separate border-spacing-[3px]"
      >
        <thead>
          <tr aria-rowindex={1}>
            <td className="sticky top-0 left-0 z-20 bg-paper" />
            <Gap columns={columns.from} />
            {across.map((table, step) => (
              <th
                key={table.id}
                scope="col"
                aria-colindex={columns.from + step + 2}
                title={many ? table.name : undefined}
                className="sticky top-0 z-10 w-[92px] max-w-[92px] min-w-[92px] bg-paper px-1 pb-1 align-bottom text-[13px] leading-tight font-bold break-words text-ash-6"
              >
                {many ? <span className="line-clamp-2">{table.name}</span> : table.name}
              </th>
            ))}
            <Gap columns={tables.length - columns.to} />
          </tr>
        </thead>
        <tbody onKeyDown={onKeyDown}>
          {rows.from > 0 && <tr aria-hidden style={{ height: rows.from * pitch.row - 3 }} />}
          {tables.slice(rows.from, rows.to).map((b, step) => {
            const row = rows.from + step
            return (
              <tr key={b.id} aria-rowindex={row + 2}>
                <th
                  scope="row"
                  title={many ? b.name : undefined}
                  className={classNames(
                    'sticky left-0 z-10 max-w-[140px] bg-paper pr-2.5 text-right leading-tight font-bold break-words',
                    many && 'min-w-[140px]',
                  )}
                >
                  {many ? <span className="line-clamp-2">{b.name}</span> : b.name}
                </th>
                <Gap columns={columns.from} />
                {across.slice(0, Math.max(0, row + 1 - columns.from)).map((a, beside) => (
                  <td key={a.id} aria-colindex={columns.from + beside + 2}>
                    <Cell
                      a={a}
                      b={b}
                      at={`${row}.${columns.from + beside}`}
                      begins={begin === `${row}.${columns.from + beside}`}
                      alone={alone.has(`${a.id}~${b.id}`)}
                      here={row === hereRow && columns.from + beside === hereColumn}
                      onChoose={onChoose}
                    />
                  </td>
                ))}
              </tr>
            )
          })}
          {rows.to < tables.length && <tr aria-hidden style={{ height: (tables.length - rows.to) * pitch.row - 3 }} />}
        </tbody>
      </table>
    </div>
  )
}

/** The room of columns that are out of sight. */
const Gap = ({ columns }: { readonly columns: number }) =>
  columns > 0 ? <td aria-hidden style={{ minWidth: columns * pitch.column - 3 }} /> : null

interface CellProps {
  readonly a: Table
  readonly b: Table
  readonly at: string
  /** Where one comes in by the keyboard. */
  readonly begins: boolean
  readonly alone: boolean
  readonly here: boolean
  readonly onChoose: (a: string, b: string) => void
}

function Cell({ a, b, at, begins, alone, here, onChoose }: CellProps) {
  const { book } = useWorkshop()
  const state = pairState(book, a.id, b.id)
  const feet = state.kind === 'tied' ? feetFor(state.ties[0]!.answers) : undefined
  const words =
    state.kind === 'tied'
      ? `${state.ties.length} ${state.ties.length === 1 ? 'link' : 'links'}`
      : state.kind === 'none'
        ? 'no direct link'
        : alone
          ? 'left alone'
          : 'not answered'
  return (
    <button
      type="button"
      data-at={at}
      tabIndex={here || begins ? 0 : -1}
      aria-label={`${a.name} and ${a === b ? 'itself' : b.name}: ${words}`}
      aria-pressed={here}
      onClick={() => onChoose(a.id, b.id)}
      className={classNames(
        'relative flex h-[34px] w-[92px] scroll-mt-10 items-center justify-center rounded-md',
        state.kind === 'ask' && !alone ? 'bg-brass-tint text-brass' : 'bg-ash-1 text-ink hover:bg-ash-2',
        a === b && state.kind === 'none' && 'border border-dashed border-ash-3 bg-paper',
        here && 'bg-spruce-tint outline-2 outline-spruce',
      )}
    >
      {feet && <FootLine left={feet.atA} right={feet.atB} width={54} />}
      {state.kind === 'ask' && <span className={alone ? 'text-ash-5' : undefined}>ask</span>}
      {state.kind === 'none' && <span className="text-ash-5">{a === b ? '' : '—'}</span>}
      {state.kind === 'tied' && state.ties.length > 1 && (
        <span className="absolute top-0 right-1 text-[11px] font-bold text-ash-6">{state.ties.length}</span>
      )}
    </button>
  )
}
