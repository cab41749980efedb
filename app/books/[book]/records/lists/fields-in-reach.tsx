'use client'

import { X } from 'lucide-react'
import { useState } from 'react'
import { type Book, type Column, type Field, limits, type List, type Table, tableOf, type Way } from '@/core/book'
import { endOf, furtherFrom, isSeveral, likelyFurther, type LikelyStretch } from '@/core/lists'
import { columnsAt, HowShown } from './how-shown'
import { ReachHead } from './reach-head'
import { wordProblem } from '@/core/words'
import { IconButton, TextBox, TickBox, WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useRecords } from '../records-context'

interface Props {
  readonly list: List
  readonly onChange: (columns: readonly Column[]) => void
}

interface RailProps extends Props {
  /** The columns that are calculated. */
  readonly calculated: readonly { readonly id: string; readonly heading: string }[]
  readonly onCalculate: (column: string | undefined) => void
}

/** How far from the list's own records fields are offered, in stretches of a way. */
const furthest = 3

/** Every field that a list can show, by the way that leads there; ticked where it is shown. */
export function FieldsInReach({ list, calculated, onChange, onCalculate }: RailProps) {
  const { book } = useRecords()
  const [typed, setTyped] = useState('')
  const table = tableOf(book, list.table)
  return (
    <div className="px-3.5">
      <h2 className="pb-2 text-xs text-ash-6">Fields in reach</h2>
      <TextBox
        type="search"
        aria-label="Find a field"
        placeholder="Find a field…"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {list.columns.length >= limits.columns && (
        <p role="status" className="pt-2 text-[13px] text-brass">
          {wordProblem({ kind: 'list-full', what: 'fields', most: limits.columns })}
        </p>
      )}
      <ul className="pt-2 text-[13px]">
        {calculated.map(({ id, heading }) => (
          <li key={id} className="flex min-h-7 items-center gap-1">
            <WordButton onClick={() => onCalculate(id)} className="min-w-0 flex-1 text-left">
              {heading}
            </WordButton>
            <IconButton
              label={`Without ${heading}`}
              disabled={list.columns.length === 1}
              onClick={() => onChange(list.columns.filter((one) => one.id !== id))}
            >
              <X size={13} aria-hidden />
            </IconButton>
          </li>
        ))}
        {list.columns.length < limits.columns && (
          <li>
            <WordButton onClick={() => onCalculate(undefined)}>Calculate a column</WordButton>
          </li>
        )}
      </ul>
      <Reach
        list={list}
        onChange={onChange}
        way={[]}
        table={table}
        name={table.name}
        depth={0}
        find={typed.trim().toLowerCase()}
        open
      />
    </div>
  )
}

interface ReachProps extends Props {
  readonly way: Way
  readonly table: Table
  readonly name: string
  readonly depth: number
  readonly find: string
  readonly open?: boolean
  /** How many ways lead to the same table from there. */
  readonly among?: number
}

function Reach(props: ReachProps) {
  const { book } = useRecords()
  const { list, way, table, name, depth, find, among = 1 } = props
  const [isOpen, setOpen] = useState(props.open ?? false)
  const shown = find ? hasIn(book, list.table, way, find, furthest - depth) : isOpen
  const fields = table.fields.filter((field) => !find || field.name.toLowerCase().includes(find))
  if (find && !shown) return null
  const ticked = columnsAt(list, way).length
  return (
    <section className={depth === 0 ? 'pt-3' : 'pt-1 pl-3'} aria-label={name}>
      <ReachHead
        name={name}
        depth={depth}
        way={way}
        among={among}
        to={table}
        open={shown}
        onToggle={() => setOpen(!isOpen)}
        count={ticked}
      />
      {shown && (
        <>
          <ul>
            {fields.map((field) => (
              <FieldTick key={field.id} {...props} field={field} />
            ))}
          </ul>
          {isSeveral(book, way) && <HowShown list={list} onChange={props.onChange} way={way} name={name} />}
          {depth < furthest &&
            likelyFurther(book, list.table, way).map((stretch) => (
              <Further key={stretch.words} {...props} stretch={stretch} />
            ))}
        </>
      )}
    </section>
  )
}

const Further = ({ stretch, open: _open, ...props }: ReachProps & { readonly stretch: LikelyStretch }) => (
  <Reach
    {...props}
    way={[...props.way, ...stretch.hops]}
    table={stretch.to}
    name={stretch.words}
    depth={props.depth + 1}
    among={stretch.among}
  />
)

/** Whether what a way leads to, or something further on, has a field with these letters. */
function hasIn(book: Book, tableId: string, way: Way, find: string, further: number): boolean {
  if (endOf(book, tableId, way)?.fields.some(({ name }) => name.toLowerCase().includes(find))) return true
  return (
    further > 0 &&
    furtherFrom(book, tableId, way).some(({ hops }) => hasIn(book, tableId, [...way, ...hops], find, further - 1))
  )
}

const columnOf = (list: List, way: Way, field: string) =>
  columnsAt(list, way).find(
    ({ shows }) => (shows.kind === 'field' || shows.kind === 'several') && shows.place.field === field,
  )

function FieldTick({ list, way, field, onChange, depth }: ReachProps & { readonly field: Field }) {
  const { book } = useRecords()
  const column = columnOf(list, way, field.id)
  const several = columnsAt(list, way).find(({ shows }) => shows.kind === 'several')
  const toggle = (now: boolean) => {
    if (!now) return onChange(list.columns.filter((one) => one !== column))
    const place = { way, field: field.id }
    const as = several?.shows.kind === 'several' ? several.shows.as : 'together'
    const shows = isSeveral(book, way) ? ({ kind: 'several', place, as } as const) : ({ kind: 'field', place } as const)
    onChange([...list.columns, { id: freshId(), shows }])
  }
  // The last one stays: a list shows something. And there is an end to what it can show.
  const held = column === undefined ? list.columns.length >= limits.columns : list.columns.length === 1
  return (
    <li className="pl-[18px]">
      <TickBox
        id={`reach-${depth}-${way.map((hop) => (hop.to === 'one' ? hop.field : hop.link)).join('-')}-${field.id}`}
        checked={column !== undefined}
        disabled={held}
        label={field.name}
        onChange={toggle}
      />
    </li>
  )
}
