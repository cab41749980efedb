'use client'

import { NodeSelection } from '@tiptap/pm/state'
import type { Editor, JSONContent } from '@tiptap/react'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import {
  type Book,
  type ColumnShows,
  linkOf,
  linkWith,
  type List,
  type Picture,
  type Table,
  tableOf,
  type Way,
} from '@/core/book'
import { mailPlaces, rowWays, usualRows, withReadyMail } from '@/core/reports'
import { inSentence, plural } from '@/core/words'
import { freshId } from '@/ui/ids'
import { WordButton } from '@/ui/kit'
import { CalculateDialog } from '../../lists/calculate/calculate-dialog'
import { pictureTypes, takePicture } from '../../pictures/take-picture'
import { useRecords } from '../../records-context'
import { saidNames } from './chip-view'
import { FieldTree } from './field-tree'
import { selectedIn } from './selected'
import { type Settings, textOf } from './text-of'

interface Props {
  readonly editor: Editor
  readonly table: Table
  /** Asks for the condition under which what is chosen stands. */
  readonly onOnly: () => void
}

/** What can be put into a document: fields, rows, and parts that are more than text. */
export function PartsIndex({ editor, table, onOnly }: Props) {
  const { book } = useRecords()
  const [calculating, setCalculating] = useState(false)
  const put = (type: string, attrs: object = {}) => putIn(editor, { type, attrs })
  const chip = (shows: ColumnShows, heading?: string) => put('chip', { parts: { shows, ...(heading && { heading }) } })
  const putRows = (way: (typeof ways)[number]['way'], end: Table) =>
    put('rows', { parts: usualRows(book, table, way, end, freshId()) })
  const [allRows, setAllRows] = useState(false)
  const every = rowWays(book, table.id)
  const ways = allRows ? every : every.slice(0, fewRows)
  const own: List = { id: 'own', table: table.id, columns: [], asks: [], order: [] }
  return (
    <div className="px-3.5 text-[13px]">
      <h2 className="pb-2 text-xs text-ash-6">Put into the text</h2>
      <FieldTree table={table} onPick={chip} />
      <p className="pt-1">
        <WordButton onClick={() => setCalculating(true)}>Calculate a value</WordButton>
      </p>
      <Group name="Not of the record">
        {(['today', 'who', 'book', 'number'] as const).map((what) => (
          <Part key={what} onPick={() => put('chip', { parts: { what } })}>
            {saidNames[what]}
          </Part>
        ))}
      </Group>
      {ways.length > 0 && (
        <Group name="Rows">
          {ways.map(({ way, end }) => (
            <Part key={JSON.stringify(way)} onPick={() => putRows(way, end)}>
              {plural(end.name)}
              {way.length > 1 && <span className="text-ash-6"> of its {throughOf(book, way)}</span>}
            </Part>
          ))}
          {every.length > ways.length && (
            <li>
              <WordButton onClick={() => setAllRows(true)}>{every.length - ways.length} more</WordButton>
            </li>
          )}
        </Group>
      )}
      <Group name="Parts">
        <Part onPick={() => put('fields', { parts: { across: 2, columns: fieldsOf(table) } })}>
          Fields with their names
        </Part>
        <Part onPick={onOnly}>Only where a condition holds</Part>
        <Part onPick={() => putIn(editor, { type: 'address', content: [{ type: 'paragraph' }] })}>Address</Part>
        {mailPlaces(book, table).length > 0 && <Part onPick={() => putMail(editor, book, table)}>E-mail</Part>}
        <Part onPick={() => put('code', { parts: { as: 'code128', shows: keyShows(table) } })}>Code for scanning</Part>
        <PictureButton onTaken={(picture) => put('picture', { parts: { picture, wide: usualWidth } })} />
        <Part onPick={() => putIn(editor, emptyTable)}>Table</Part>
        <Part onPick={() => put('horizontalRule')}>A line across</Part>
        <Part onPick={() => put('room', { lines: 4 })}>Room to write by hand</Part>
        <Part onPick={() => put('signatures', { of: ['Day', 'Signed'] })}>To be signed</Part>
        <Part onPick={() => put('pageTurn')}>A new page</Part>
      </Group>
      {calculating && (
        <CalculateDialog
          list={own}
          columns={[]}
          column={undefined}
          alone
          onClose={() => setCalculating(false)}
          onKeep={({ shows, heading }) => {
            setCalculating(false)
            chip(shows, heading)
          }}
        />
      )}
    </div>
  )
}

const cells = (type: string): JSONContent => ({
  type: 'tableRow',
  content: Array.from({ length: 3 }, () => ({ type, content: [{ type: 'paragraph' }] })),
})
/** Three by three, the first row for headings. */
const emptyTable: JSONContent = {
  type: 'table',
  content: [cells('tableHeader'), cells('tableCell'), cells('tableCell')],
}

/** Puts something into the text: after what is chosen there, never in its place. */
function putIn(editor: Editor, content: JSONContent): void {
  const { selection } = editor.state
  const chain = editor.chain().focus()
  const { table, mail } = selectedIn(editor)
  const around = content.type === 'chip' ? undefined : (table ?? mail)
  const node = around && editor.state.doc.nodeAt(around.at)
  // A table, and an e-mail, hold nothing but text: what else there is stands after them.
  if (around && node) chain.insertContentAt(around.at + node.nodeSize, content).run()
  else if (selection instanceof NodeSelection) chain.insertContentAt(selection.to, content).run()
  else chain.insertContent(content).run()
}

/** So many sorts of rows are named at once. */
const fewRows = 8

/** What rows hang on, where that isn't the record itself. */
function throughOf(book: Book, way: Way): string {
  const names = way.slice(0, -1).flatMap((hop) => {
    const table = endOfHop(book, hop)
    return table ? [hop.to === 'rows' ? plural(inSentence(table.name)) : inSentence(table.name)] : []
  })
  return names.toReversed().join(' of its ')
}

const endOfHop = (book: Book, hop: Way[number]): Table | undefined =>
  tableOf(book, hop.to === 'rows' ? linkWith(book, hop.link).many : linkOf(book, hop.field).one)

/** Puts an e-mail before the text, or goes to the one that is there. */
function putMail(editor: Editor, book: Book, table: Table): void {
  const first = editor.state.doc.firstChild
  if (first?.type.name !== 'mail') {
    const { settings } = editor.state.doc.attrs as { settings: Settings }
    const made = withReadyMail(book, { ...settings, id: 'mail', table: table.id, columns: [], blocks: [] })
    const [mail] = (made && textOf(made).content) ?? []
    if (mail?.type !== 'mail') return
    editor.chain().insertContentAt(0, mail).run()
  }
  // Where what it says begins.
  const subject = editor.state.doc.firstChild?.firstChild?.nodeSize ?? 0
  editor
    .chain()
    .focus()
    .setTextSelection(1 + subject + 1)
    .scrollIntoView()
    .run()
}

/** What a record is told apart by. */
const keyShows = ({ key, fields }: Table): ColumnShows => ({
  kind: 'field',
  place: { way: [], field: key[0] ?? fields[0]?.id ?? '' },
})

/** The fields that a new block of them begins with. */
const fieldsOf = ({ fields }: Table) =>
  fields
    .filter(({ kind }) => kind !== 'file' && kind !== 'passage')
    .slice(0, 6)
    .map((field) => ({ shows: { kind: 'field', place: { way: [], field: field.id } } }))

const Group = ({ name, children }: { readonly name: string; readonly children: React.ReactNode }) => (
  <section aria-label={name} className="pt-3">
    <h3 className="pb-0.5 text-xs text-ash-6">{name}</h3>
    <ul>{children}</ul>
  </section>
)

const Part = ({ onPick, children }: { readonly onPick: () => void; readonly children: React.ReactNode }) => (
  <li>
    <button type="button" onClick={onPick} className="min-h-7 w-full rounded-sm px-1 text-left hover:bg-ash-3">
      {children}
    </button>
  </li>
)

/** How wide a picture is at first, in millimetres. */
const usualWidth = 60

/** Takes a picture from this computer. */
function PictureButton({ onTaken }: { readonly onTaken: (picture: Picture) => void }) {
  const { base } = useRecords()
  const box = useRef<HTMLInputElement>(null)
  const take = async (file: File | undefined) => {
    if (!file) return
    const taken = await takePicture(base, file)
    if (typeof taken === 'string') toast(taken)
    else onTaken(taken)
    if (box.current) box.current.value = ''
  }
  return (
    <>
      <Part onPick={() => box.current?.click()}>Picture</Part>
      <li hidden>
        <input
          ref={box}
          type="file"
          aria-label="Picture from this computer"
          accept={pictureTypes}
          onChange={(event) => void take(event.target.files?.[0])}
        />
      </li>
    </>
  )
}
