'use client'

import { type KeyboardEvent, useEffect, useRef } from 'react'
import type { Table } from '@/core/book'
import { feetFor, type PairOfTables, pairState } from '@/core/pairings'
import { classNames } from '@/ui/kit'
import { FootLine } from '@/ui/drawing/crows-foot'
import { useWorkshop } from '../workshop-context'

interface Props {
  readonly tables: readonly Table[]
  readonly chosen: readonly [string, string] | undefined
  /** Pairs that needn't be asked about. */
  readonly apart: readonly PairOfTables[]
  readonly onChoose: (a: string, b: string) => void
}

/** Half a square of tables against tables: each pair once, each table with itself on the diagonal. */
export function Matrix({ tables, chosen, apart, onChoose }: Props) {
  const alone = new Set(apart.map(({ a, b }) => `${a.id}~${b.id}`))
  const body = useRef<HTMLTableSectionElement>(null)
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key]
    const from = (event.target as HTMLElement).closest('[data-at]')?.getAttribute('data-at')?.split('.').map(Number)
    if (!step || !from) return
    event.preventDefault()
    const at = `${from[0]! + step[0]!}.${from[1]! + step[1]!}`
    body.current?.querySelector<HTMLElement>(`[data-at="${at}"]`)?.focus()
  }
  return (
    <div
      className={classNames(
        'overflow-auto pb-1',
        // The chosen pair's questions stand below.
        chosen ? 'max-h-[max(240px,calc(100vh-570px))]' : 'max-h-[max(240px,calc(100vh-300px))]',
      )}
    >
      <table className="border-separate border-spacing-[3px]">
        <thead>
          <tr>
            <td className="sticky top-0 left-0 z-20 bg-paper" />
            {tables.map((table) => (
              <th
                key={table.id}
                scope="col"
                className="sticky top-0 z-10 w-[92px] max-w-[92px] bg-paper px-1 pb-1 align-bottom text-[13px] leading-tight font-bold break-words text-ash-6"
              >
                {table.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody ref={body} onKeyDown={onKeyDown}>
          {tables.map((b, row) => (
            <tr key={b.id}>
              <th
                scope="row"
                className="sticky left-0 z-10 max-w-[140px] bg-paper pr-2.5 text-right leading-tight font-bold break-words"
              >
                {b.name}
              </th>
              {tables.slice(0, row + 1).map((a, column) => (
                <td key={a.id}>
                  <Cell
                    a={a}
                    b={b}
                    at={`${row}.${column}`}
                    first={row === 0}
                    alone={alone.has(`${a.id}~${b.id}`)}
                    here={chosen?.[0] === a.id && chosen[1] === b.id}
                    onChoose={() => onChoose(a.id, b.id)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

interface CellProps {
  readonly a: Table
  readonly b: Table
  readonly at: string
  readonly first: boolean
  readonly alone: boolean
  readonly here: boolean
  readonly onChoose: () => void
}

function Cell({ a, b, at, first, alone, here, onChoose }: CellProps) {
  const { book } = useWorkshop()
  const button = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (here) button.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }, [here])
  const state = pairState(book, a.id, b.id)
  const feet = state.kind === 'tied' ? feetFor(state.ties[0]!.answers) : undefined
  const words =
    state.kind === 'tied'
      ? `${state.ties.length} ${state.ties.length === 1 ? 'tie' : 'ties'}`
      : state.kind === 'none'
        ? 'no direct tie'
        : alone
          ? 'left alone'
          : 'not answered'
  return (
    <button
      ref={button}
      type="button"
      data-at={at}
      tabIndex={here || first ? 0 : -1}
      aria-label={`${a.name} and ${a === b ? 'itself' : b.name}: ${words}`}
      aria-pressed={here}
      onClick={onChoose}
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
