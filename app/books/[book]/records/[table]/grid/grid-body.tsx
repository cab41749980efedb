'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { ExternalLink, RotateCcw, Trash2 } from 'lucide-react'
import Link from 'next/link'
import { useEffect, useImperativeHandle, useRef } from 'react'
import { type Field, mustHold, type Table } from '@/core/book'
import { displayOf } from '@/core/expressions'
import type { CellText, GridRow } from '@/core/grid'
import { kindOf } from '@/core/kinds'
import type { Problems } from '@/core/records'
import { inSentence, wordProblem } from '@/core/words'
import { classNames, IconButton } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { GridCell, problemIn, wordsIn } from './grid-cell'
import { GridEditor } from './grid-editor'
import type { GridLine, GridLines } from './grid-lines'
import type { Checks } from './use-checks'
import { isIn, type Place } from './place'
import type { Cursor } from './use-cursor'
import { type GridActs, gridKeys, mayType } from './use-grid-keys'

const lineHeight = 33
const leadWidth = 44

interface Props {
  readonly table: Table
  readonly columns: readonly Field[]
  readonly lines: GridLines
  readonly checks: Checks
  /** What the server refused of a row as it stands. */
  readonly said: (row: GridRow) => Problems | undefined
  readonly cursor: Cursor
  /** They are being saved: nobody types meanwhile. */
  readonly isBusy: boolean
  readonly acts: Omit<GridActs, 'page'>
  readonly onPut: (line: GridLine, field: Field, cell: CellText) => void
  readonly onSettling: (work: Promise<unknown>) => void
  readonly onTakeOut: (line: GridLine) => void
  /** Called when the end of what has been read comes into sight. */
  readonly onEnd: () => void
}

const widthOf = (field: Field): string => {
  const { control } = kindOf(field.kind)
  if (control === 'passage') return 'minmax(200px, 3fr)'
  if (['link', 'email', 'web'].includes(field.kind)) return 'minmax(150px, 2fr)'
  if (field.kind === 'line') return (field.length ?? 60) > 40 ? 'minmax(160px, 2fr)' : 'minmax(110px, 1fr)'
  if (control === 'tick' || control === 'mark') return 'minmax(72px, 0.6fr)'
  return control === 'date-time' ? 'minmax(160px, 1fr)' : 'minmax(104px, 1fr)'
}
const leastOf = (field: Field) => Number(/\d+/.exec(widthOf(field))?.[0])

/** The cells, of which only those in sight are drawn, however many there are. */
export function GridBody(props: Props) {
  const { table, columns, lines, cursor, isBusy, acts, onEnd } = props
  const { here, end } = cursor
  const { book } = useRecords()
  const frame = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: lines.count,
    getScrollElement: () => frame.current,
    estimateSize: () => lineHeight,
    overscan: 8,
    scrollPaddingStart: lineHeight + 4,
    scrollPaddingEnd: 90,
  })
  const seen = virtual.getVirtualItems()
  const last = seen.at(-1)?.index ?? 0
  useEffect(() => {
    if (lines.count > 0 && last >= lines.count - 30) onEnd()
  }, [last, lines.count, onEnd])
  useEffect(() => {
    virtual.scrollToIndex(end.at)
    document.getElementById(cellId(end))?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    // Only where one goes is shown; what is drawn otherwise leaves the sight as it is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [end.at, end.column])
  useImperativeHandle(cursor.body, () => ({ focus: () => frame.current?.focus({ preventScroll: true }) }))
  const page = Math.max(1, Math.floor((frame.current?.clientHeight ?? 400) / lineHeight) - 3)
  // What is derived is as wide as the fact that it looks like.
  const shown = columns.map((field) => displayOf(book, field))
  const template = { gridTemplateColumns: `${leadWidth}px ${shown.map(widthOf).join(' ')}` }
  return (
    <div
      ref={frame}
      role="grid"
      tabIndex={0}
      aria-label={`${table.name}, grid`}
      aria-rowcount={lines.count + 1}
      aria-colcount={columns.length}
      aria-multiselectable
      aria-activedescendant={cellId(here)}
      {...(isBusy ? {} : gridKeys({ ...acts, page }))}
      className="min-h-0 flex-1 overflow-auto border-t border-ash-3 outline-none"
    >
      <div style={{ minWidth: shown.map(leastOf).reduce((sum, width) => sum + width, leadWidth) }}>
        <div role="row" className="sticky top-0 z-30 grid border-b border-ash-4 bg-ash-1" style={template}>
          <span role="columnheader" />
          {columns.map((field) => (
            <span
              role="columnheader"
              key={field.id}
              className={classNames(
                'truncate border-r border-ash-3 px-2 text-[13px] leading-8 font-semibold text-ash-6',
                kindOf(displayOf(book, field).kind).align === 'end' && 'text-right',
              )}
            >
              {field.name}
              {mustHold(table, field) && mayType(field) && ' *'}
            </span>
          ))}
        </div>
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() + 80 }}>
          {seen.map(({ index, key, start }) => {
            const line = lines.at(index)
            return line && <Line key={key} {...props} line={line} at={index} top={start} template={template} />
          })}
        </div>
      </div>
    </div>
  )
}

const cellId = ({ at, column }: Place) => `cell-${at}-${column}`

interface LineProps extends Props {
  readonly line: GridLine
  readonly at: number
  readonly top: number
  readonly template: { readonly gridTemplateColumns: string }
}

function Line(props: LineProps) {
  const { table, columns, lines, checks, said, cursor, isBusy, line, at, top, template } = props
  const { here, block, editing } = cursor
  const { book } = useRecords()
  const checked = line.isChanged ? checks.of(line.row) : undefined
  const problems = { ...said(line.row), ...checked?.problems }
  const field = (id: string) => columns.some((one) => one.id === id)
  // What is said of a field that isn't shown is said of the row.
  const whole = Object.entries(problems).find(([id]) => !field(id))?.[1]
  const isHere = here.at === at
  return (
    <div
      role="row"
      aria-rowindex={at + 2}
      className={classNames(
        'absolute top-0 left-0 grid w-full border-b border-ash-3',
        isHere && 'z-10',
        line.is === 'new' ? 'bg-brass-tint/40' : line.isChanged && 'bg-spruce-tint/40',
        at === lines.fresh - 1 && 'border-b-2 border-b-ash-4',
      )}
      style={{ ...template, transform: `translateY(${top}px)`, height: lineHeight }}
    >
      <Lead {...props} problem={whole && wordProblem(whole)} />
      {columns.map((one, column) => {
        const place = { at, column }
        const isEdited = editing?.place.at === at && editing.place.column === column
        return (
          <div
            key={one.id}
            className="contents"
            onMouseDown={(event) => {
              if (isEdited || event.button !== 0) return
              event.preventDefault()
              props.acts.go(place, event.shiftKey)
            }}
            onDoubleClick={() => isEdited || isBusy || cursor.edit(place, false)}
          >
            <GridCell
              id={cellId(place)}
              field={displayOf(book, one)}
              words={wordsIn(book, line, one, checked)}
              problem={problemIn(line, one, problems[one.id])}
              isHere={isHere && here.column === column}
              isChosen={isIn(block, place)}
              isRight={column * 2 >= columns.length}
              isGiven={!mayType(one)}
              isQuiet={!mayType(one) || line.is === 'blank'}
              editor={
                isEdited && (
                  <GridEditor
                    key={`${line.row.id} ${one.id}`}
                    table={table}
                    field={one}
                    row={line.row}
                    anew={editing.anew}
                    spoken={`${one.name}, row ${at + 1}`}
                    onPut={(cell) => props.onPut(line, one, cell)}
                    onLeave={(where) => cursor.leave(place, where)}
                    onSettling={props.onSettling}
                  />
                )
              }
            />
          </div>
        )
      })}
    </div>
  )
}

/** Before the cells: the way to the record, or out of the grid; and what is wrong with the row as a whole. */
function Lead({
  table,
  line,
  at,
  cursor,
  isBusy,
  problem,
  onTakeOut,
}: LineProps & { readonly problem: string | undefined }) {
  const { base } = useRecords()
  const noun = inSentence(table.name)
  return (
    <div role="rowheader" className="relative flex items-center justify-center border-r border-ash-3">
      {problem !== undefined && (
        <span title={problem} className="absolute left-1 font-bold text-ember" aria-label={problem} role="img">
          !
        </span>
      )}
      {line.is === 'new' && (
        <IconButton
          disabled={isBusy}
          tabIndex={-1}
          label={`Take out new ${noun} ${at + 1}`}
          onClick={() => onTakeOut(line)}
        >
          <Trash2 size={14} aria-hidden />
        </IconButton>
      )}
      {line.is === 'stored' &&
        (line.isChanged ? (
          <IconButton
            disabled={isBusy}
            tabIndex={-1}
            label={`${noun} ${at + 1} as it was`}
            onClick={() => onTakeOut(line)}
          >
            <RotateCcw size={14} aria-hidden />
          </IconButton>
        ) : (
          <Link
            tabIndex={-1}
            prefetch={false}
            href={`${base}/${table.id}/record/${encodeURIComponent(line.row.id)}`}
            aria-label={`Open ${noun} ${at + 1}`}
            className="flex size-7 items-center justify-center rounded-md text-ash-5 hover:bg-ash-2 hover:text-ink"
          >
            <ExternalLink size={13} aria-hidden />
          </Link>
        ))}
      {problem !== undefined && cursor.here.at === at && (
        <span
          role="alert"
          className="pointer-events-none absolute top-full left-1 z-20 mt-1 w-max max-w-[60vw] rounded-md bg-paper px-2.5 py-1.5 text-[13px] text-ember shadow-float"
        >
          {problem}
        </span>
      )}
    </div>
  )
}
