'use client'

import Link from 'next/link'
import { useState } from 'react'
import { type Area, findTable, type Remark, type Table } from '@/core/book'
import type { MadeFromKind } from '@/core/map'
import { counted } from '@/core/words'
import { freshId } from '@/ui/ids'
import { ChoiceBox, Note, WordButton } from '@/ui/kit'
import { UnmetNote } from '../needs-met'
import { useWorkshop } from '../workshop-context'
import { AreaDialog } from './area-dialog'
import { MadeFromNote } from './made-from-note'
import { RemarkDialog } from './remark-node'
import { TraceNote } from './trace-note'
import type { DrawnSheet } from './use-map'
import { useNewNote } from './use-new-note'
import type { Traced } from './use-trace'

interface Props {
  readonly sheet: DrawnSheet | undefined
  readonly chosen: ReadonlySet<string>
  readonly traced: Traced
  readonly kinds: ReadonlySet<MadeFromKind>
  readonly onKinds: (kinds: ReadonlySet<MadeFromKind>) => void
  readonly onMadeFrom: () => void
  readonly onChoose: (table: string) => void
  readonly onTie: (a: string, b: string) => void
}

/** What is said of the chosen field or table, or of the whole map. */
export function MapMargin(props: Props) {
  const { book } = useWorkshop()
  const [only] = props.chosen.size === 1 ? [...props.chosen] : []
  const table = findTable(book, only ?? '')
  const { sheet, traced, kinds, onKinds } = props
  const madeFrom = sheet?.reading.view === 'made-from'
  if (traced.focus && traced.trace)
    return (
      <TraceNote
        focus={traced.focus}
        trace={traced.trace}
        onPress={traced.press}
        onMadeFrom={madeFrom ? undefined : props.onMadeFrom}
      />
    )
  if (table) return <TableNote {...props} table={table} />
  return (
    <>
      {sheet && madeFrom ? (
        <MadeFromNote sheet={sheet} kinds={kinds} onKinds={onKinds} onPress={traced.press} />
      ) : (
        <WholeNote sheet={sheet} />
      )}
      <Areas />
      <Notes />
      <UnmetNote />
    </>
  )
}

function NewNote({ sheet, onClose }: { readonly sheet: DrawnSheet; readonly onClose: () => void }) {
  const { spotFor, show } = useNewNote(sheet)
  const [remark] = useState(() => ({ id: freshId(), text: '', x: 0, y: 0 }))
  return <RemarkDialog remark={remark} onClose={onClose} isNew={{ spotFor, show }} />
}

function WholeNote({ sheet }: { readonly sheet: DrawnSheet | undefined }) {
  const [writing, setWriting] = useState(false)
  if (!sheet) return null
  const { cards, lines, drawn } = sheet
  const unsaid = lines.reduce((sum, line) => sum + (line.label ? 1 : 0) + (line.back ? 1 : 0), 0) - drawn.labels.length
  const forced = [...drawn.routes.values()].filter((route) => route.forced).length
  return (
    <>
      <Note
        mark="info"
        head={`${counted(cards.length, 'table')}, ${counted(lines.length, 'link')}`}
        actions={<WordButton onClick={() => setWriting(true)}>Write a note</WordButton>}
      >
        Drag a card, or choose it and use the arrow keys, with Shift for longer steps. Drag from its dot to link it to
        another; Shift and drag chooses several. Double-click goes to the table. Click a field to see what it is made
        from.
        {forced > 0 &&
          ` ${counted(forced, 'link')} found no way of ${forced === 1 ? 'its' : 'their'} own: a card has more links than room around it.`}
        {unsaid > 0 && ` ${unsaid} of the words found no room beside their lines.`}
      </Note>
      {writing && <NewNote sheet={sheet} onClose={() => setWriting(false)} />}
    </>
  )
}

function Areas() {
  const { book } = useWorkshop()
  const [open, setOpen] = useState<Area>()
  if (book.areas.length === 0) return null
  return (
    <section aria-label="Areas" className="rounded-lg border border-ash-3 bg-paper px-3 py-2.5 text-[13px]">
      <h3 className="font-bold">Areas</h3>
      <ul>
        {book.areas.map((area) => (
          <li key={area.id}>
            <WordButton onClick={() => setOpen(area)}>{area.name}</WordButton>
          </li>
        ))}
      </ul>
      {open && <AreaDialog area={open} tables={open.tables} onClose={() => setOpen(undefined)} />}
    </section>
  )
}

function Notes() {
  const { book } = useWorkshop()
  const [open, setOpen] = useState<Remark>()
  if (book.remarks.length === 0) return null
  return (
    <section aria-label="Notes" className="rounded-lg border border-ash-3 bg-paper px-3 py-2.5 text-[13px]">
      <h3 className="font-bold">Notes</h3>
      <ul>
        {book.remarks.map((remark) => (
          <li key={remark.id} className="truncate">
            <WordButton onClick={() => setOpen(remark)}>{remark.text}</WordButton>
          </li>
        ))}
      </ul>
      {open && <RemarkDialog remark={open} onClose={() => setOpen(undefined)} />}
    </section>
  )
}

function TableNote({ table, traced, onTie }: Props & { readonly table: Table }) {
  const { id, book } = useWorkshop()
  const area = book.areas.find(({ tables }) => tables.includes(table.id))
  const [open, setOpen] = useState(false)
  return (
    <section aria-label={table.name} className="rounded-lg border border-ash-3 bg-paper px-3 py-2.5 text-[13px]">
      <h3 className="font-bold">{table.name}</h3>
      {table.describe && <p className="text-ash-6">{table.describe}</p>}
      <p className="mt-2 text-ash-6">What is made from what: choose a field.</p>
      <ul className="mt-1 flex flex-col">
        {table.fields.map((field) => (
          <li key={field.id}>
            <button
              type="button"
              onClick={() => traced.press({ kind: 'field', field: field.id })}
              className="min-h-7 w-full truncate rounded-sm px-1 text-left hover:bg-ash-2"
            >
              {field.kind === 'link' ? '→ ' : ''}
              {field.name}
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-col gap-2 border-t border-ash-3 pt-2">
        <ChoiceBox
          aria-label={`Link ${table.name} to`}
          value=""
          onChange={(event) => event.target.value && onTie(table.id, event.target.value)}
        >
          <option value="">Link it to …</option>
          {book.tables.map((other) => (
            <option key={other.id} value={other.id}>
              {other.id === table.id ? 'itself' : other.name}
            </option>
          ))}
        </ChoiceBox>
        {area && <WordButton onClick={() => setOpen(true)}>The area {area.name}</WordButton>}
        <Link
          href={`/books/${id}/workshop/tables?table=${table.id}`}
          className="font-semibold text-spruce underline underline-offset-2"
        >
          Go to the table
        </Link>
      </div>
      {open && area && <AreaDialog area={area} tables={area.tables} onClose={() => setOpen(false)} />}
    </section>
  )
}
