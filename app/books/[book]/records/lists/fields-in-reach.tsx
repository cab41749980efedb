'use client'

import { ChevronDown, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { type Book, type Column, type Field, limits, type List, type Table, tableOf, type Way } from '@/core/book'
import { endOf, furtherFrom, isSeveral, mayBeNone, type Stretch } from '@/core/lists'
import { inSentence, wordProblem } from '@/core/words'
import { ChoiceBox, TextBox, TickBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useRecords } from '../records-context'

interface Props {
  readonly list: List
  readonly onChange: (columns: readonly Column[]) => void
}

/** How far from the list's own records fields are offered, in stretches of a way. */
const furthest = 3

/** Every field that a list can show, by the way that leads there; ticked where it is shown. */
export function FieldsInReach({ list, onChange }: Props) {
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
}

function Reach(props: ReachProps) {
  const { book } = useRecords()
  const { list, way, table, name, depth, find } = props
  const [isOpen, setOpen] = useState(props.open ?? false)
  const shown = find ? hasIn(book, list.table, way, find, furthest - depth) : isOpen
  const fields = table.fields.filter((field) => !find || field.name.toLowerCase().includes(find))
  if (find && !shown) return null
  const ticked = columnsAt(list, way).length
  return (
    <section className={depth === 0 ? 'pt-3' : 'pt-1 pl-3'} aria-label={name}>
      <h3 className="text-[13px]">
        <button
          type="button"
          aria-expanded={shown}
          onClick={() => setOpen(!isOpen)}
          className="flex min-h-7 w-full items-center gap-1 rounded-sm text-left hover:bg-ash-3"
        >
          {shown ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}
          <span className="min-w-0 flex-1">
            <b className="font-semibold">{depth === 0 ? name : `its ${name}`}</b>
            {depth > 0 && <span className="text-ash-6"> · {howMany(book, way)}</span>}
          </span>
          {!shown && ticked > 0 && <span className="text-ash-6">{ticked}</span>}
        </button>
      </h3>
      {shown && (
        <>
          <ul>
            {fields.map((field) => (
              <FieldTick key={field.id} {...props} field={field} />
            ))}
          </ul>
          {isSeveral(book, way) && <HowShown {...props} />}
          {depth < furthest &&
            furtherFrom(book, list.table, way).map((stretch) => (
              <Further key={stretch.words} {...props} stretch={stretch} />
            ))}
        </>
      )}
    </section>
  )
}

const Further = ({ stretch, open: _open, ...props }: ReachProps & { readonly stretch: Stretch }) => (
  <Reach
    {...props}
    way={[...props.way, ...stretch.hops]}
    table={stretch.to}
    name={stretch.words}
    depth={props.depth + 1}
  />
)

const howMany = (book: Book, way: Way) =>
  isSeveral(book, way) ? 'several' : mayBeNone(book, way) ? 'one or none' : 'one'

/** Whether what a way leads to, or something further on, has a field with these letters. */
function hasIn(book: Book, tableId: string, way: Way, find: string, further: number): boolean {
  if (endOf(book, tableId, way)?.fields.some(({ name }) => name.toLowerCase().includes(find))) return true
  return (
    further > 0 &&
    furtherFrom(book, tableId, way).some(({ hops }) => hasIn(book, tableId, [...way, ...hops], find, further - 1))
  )
}

const isAt = (a: Way, b: Way) => JSON.stringify(a) === JSON.stringify(b)

/** The columns of a list that show what a way leads to. */
function columnsAt(list: List, way: Way): Column[] {
  return list.columns.filter(({ shows }) => {
    if (shows.kind === 'calculated') return false
    return isAt(shows.kind === 'gathered' ? shows.way : shows.place.way, way)
  })
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

type Shown = 'together' | 'lines'

/** How several go into one row: all in one place or on lines each, and whether they are counted. */
function HowShown({ list, way, onChange, name }: ReachProps) {
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
    </div>
  )
}
