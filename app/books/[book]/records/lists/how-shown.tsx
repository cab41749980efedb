'use client'

import { X } from 'lucide-react'
import { type Column, limits, type List, type Way } from '@/core/book'
import { gatherablesOf } from '@/core/lists'
import { inSentence, sameJson } from '@/core/words'
import { freshId } from '@/ui/ids'
import { ChoiceBox, IconButton, TickBox } from '@/ui/kit'
import { useRecords } from '../records-context'

const isAt = (a: Way, b: Way) => JSON.stringify(a) === JSON.stringify(b)

/** The columns of a list that show what a way leads to. */
export function columnsAt(list: List, way: Way): Column[] {
  return list.columns.filter(({ shows }) => {
    if (shows.kind === 'calculated' || shows.kind === 'along') return false
    return isAt(shows.kind === 'gathered' ? shows.way : shows.place.way, way)
  })
}

interface Props {
  readonly list: List
  readonly onChange: (columns: readonly Column[]) => void
  readonly way: Way
  readonly name: string
}

type Shown = 'together' | 'lines'

/** How several go into one row: all in one place or on lines each, and whether they are counted. */
export function HowShown({ list, way, onChange, name }: Props) {
  const here = columnsAt(list, way)
  const shown = here.flatMap(({ shows }) => (shows.kind === 'several' ? [shows.as] : []))[0]
  const counted = here.find(({ shows }) => shows.kind === 'gathered' && shows.name === 'count')
  const show = (as: Shown) =>
    onChange(
      list.columns.map((column) => {
        const { shows } = column
        return shows.kind === 'several' && isAt(shows.place.way, way) ? { ...column, shows: { ...shows, as } } : column
      }),
    )
  const count = (now: boolean) =>
    onChange(
      now
        ? [...list.columns, { id: freshId(), shows: { kind: 'gathered', way, name: 'count' } }]
        : list.columns.filter((column) => column !== counted),
    )
  return (
    <div className="my-1 ml-[18px] rounded-md border border-ash-3 bg-paper p-2 text-[13px]">
      <TickBox
        id={`count-${JSON.stringify(way)}`}
        checked={counted !== undefined}
        disabled={counted ? list.columns.length === 1 : list.columns.length >= limits.columns}
        label={`How many ${inSentence(name)} there are`}
        onChange={count}
      />
      {shown && (
        <ChoiceBox
          aria-label={`How several ${inSentence(name)} go`}
          value={shown}
          onChange={(event) => show(event.target.value as Shown)}
          className="mt-1 text-[13px]"
        >
          <option value="together">together</option>
          <option value="lines">on a line each</option>
        </ChoiceBox>
      )}
      <Gathered list={list} way={way} onChange={onChange} name={name} />
    </div>
  )
}

/** What the several come to: totals, averages, the latest of them; each counts once. */
function Gathered({ list, way, onChange, name }: Props) {
  const { book } = useRecords()
  const all = gatherablesOf(book, list.table, way)
  const shown = list.columns.flatMap((column) => {
    const found = all.find(({ shows }) => sameJson(shows, column.shows))
    return found ? [{ column, words: found.words }] : []
  })
  const left = all.filter(({ shows }) => !list.columns.some((column) => sameJson(shows, column.shows)))
  return (
    <>
      {shown.length > 0 && (
        <ul className="mt-1">
          {shown.map(({ column, words }) => (
            <li key={column.id} className="flex min-h-7 items-center gap-1">
              <span className="min-w-0 flex-1 first-letter:uppercase">{words}</span>
              <IconButton
                label={`Without ${words}`}
                disabled={list.columns.length === 1}
                onClick={() => onChange(list.columns.filter((one) => one !== column))}
              >
                <X size={13} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
      )}
      {left.length > 0 && list.columns.length < limits.columns && (
        <ChoiceBox
          aria-label={`What several ${inSentence(name)} come to`}
          value=""
          onChange={(event) => {
            const found = left[Number(event.target.value)]
            if (found) onChange([...list.columns, { id: freshId(), shows: found.shows }])
          }}
          className="mt-1 text-[13px]"
        >
          <option value="">Add …</option>
          {left.map(({ words }, at) => (
            <option key={words} value={at}>
              {words}
            </option>
          ))}
        </ChoiceBox>
      )}
    </>
  )
}
