'use client'

import { useState } from 'react'
import { type Book, type ColumnShows, type Field, type Table, tableOf, type Way } from '@/core/book'
import { endOf, furtherFrom, isSeveral, likelyFurther } from '@/core/lists'
import { TextBox } from '@/ui/kit'
import { ReachHead } from '../../lists/reach-head'
import { useRecords } from '../../records-context'

interface Props {
  readonly table: Table
  readonly onPick: (shows: ColumnShows) => void
}

/** How far from the record fields are offered, in stretches of a way. */
const furthest = 3

/** What a field of the records at the end of a way shows: of several, all of them together. */
const showsOf = (book: Book, way: Way, field: Field): ColumnShows => {
  const place = { way, field: field.id }
  return isSeveral(book, way) ? { kind: 'several', place, as: 'together' } : { kind: 'field', place }
}

/** Every field in reach of a record; pressed, it is put into the text. Enter in the box takes the first that fits. */
export function FieldTree({ table, onPick }: Props) {
  const { book } = useRecords()
  const [typed, setTyped] = useState('')
  const find = typed.trim().toLowerCase()
  return (
    <div>
      <TextBox
        id="find-to-insert"
        type="search"
        aria-label="Find a field to put in"
        aria-keyshortcuts="Alt+F"
        placeholder="Find a field…"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return
          event.preventDefault()
          const first = find ? firstIn(book, table.id, [], find, furthest) : undefined
          if (!first) return
          setTyped('')
          onPick(showsOf(book, first.way, first.field))
        }}
      />
      <Reach table={table} way={[]} end={table} name={table.name} depth={0} among={1} find={find} onPick={onPick} />
    </div>
  )
}

interface ReachProps extends Props {
  readonly way: Way
  readonly end: Table
  readonly name: string
  readonly depth: number
  readonly find: string
  readonly among: number
}

function Reach(props: ReachProps) {
  const { book } = useRecords()
  const { table, way, end, name, depth, find, among, onPick } = props
  const [isOpen, setOpen] = useState(depth === 0)
  const shown = find ? firstIn(book, table.id, way, find, furthest - depth) !== undefined : isOpen
  if (find && !shown) return null
  const fields = end.fields.filter((field) => field.kind !== 'file' && fits(field, find))
  return (
    <section className={depth === 0 ? 'pt-2' : 'pt-1 pl-3'} aria-label={name}>
      <ReachHead
        name={name}
        depth={depth}
        way={way}
        among={among}
        to={end}
        open={shown}
        onToggle={() => setOpen(!isOpen)}
      />
      {shown && (
        <>
          <ul>
            {fields.map((field) => (
              <li key={field.id}>
                <button
                  type="button"
                  onClick={() => onPick(showsOf(book, way, field))}
                  className="min-h-7 w-full rounded-sm pl-[18px] text-left text-[13px] hover:bg-ash-3"
                >
                  {field.name}
                </button>
              </li>
            ))}
          </ul>
          {depth < furthest &&
            likelyFurther(book, table.id, way).map((stretch) => (
              <Reach
                key={stretch.words}
                {...props}
                way={[...way, ...stretch.hops]}
                end={stretch.to}
                name={stretch.words}
                depth={depth + 1}
                among={stretch.among}
              />
            ))}
        </>
      )}
    </section>
  )
}

const fits = ({ name }: Field, find: string) => !find || name.toLowerCase().includes(find)

/** The first field with these letters, here or further on. */
function firstIn(
  book: Book,
  table: string,
  way: Way,
  find: string,
  further: number,
): { readonly way: Way; readonly field: Field } | undefined {
  const end = way.length === 0 ? tableOf(book, table) : endOf(book, table, way)
  const field = end?.fields.find((one) => one.kind !== 'file' && fits(one, find))
  if (field) return { way, field }
  if (further === 0) return undefined
  for (const { hops } of furtherFrom(book, table, way)) {
    const found = firstIn(book, table, [...way, ...hops], find, further - 1)
    if (found) return found
  }
  return undefined
}
