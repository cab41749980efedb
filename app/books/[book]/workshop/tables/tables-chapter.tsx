'use client'

import { useSearchParams } from 'next/navigation'
import { useEffect, useState } from 'react'
import { adviceOn } from '@/core/advice'
import { findTable, type Table } from '@/core/book'
import { Note } from '@/ui/kit'
import { IndexHead, IndexRow, Room } from '@/ui/shell/room'
import { replaceAddress } from '@/ui/replace-address'
import { useKept } from '@/ui/use-kept'
import { NeedsMet } from '../needs-met'
import { useWorkshop } from '../workshop-context'
import { AddTable } from './add-table'
import { TableSheet } from './table-sheet'

/** The second chapter: the tables, and the fields of the one on the sheet. */
export function TablesChapter() {
  const { id, book } = useWorkshop()
  const query = useSearchParams()
  const wanted = query.get('table')
  const adding = query.get('add')
  const [last, keepLast] = useKept(`hearth-table ${id}`)
  const first = book.tables.find((one) => one.role === undefined) ?? book.tables[0]
  // Who is naming the first table goes on doing so, whatever tables others make meanwhile.
  const [startedEmpty] = useState(book.tables.length === 0)
  const naming = adding !== null || (startedEmpty && wanted === null)
  const table = findTable(book, wanted ?? '') ?? (naming ? undefined : (findTable(book, last ?? '') ?? first))
  const shown = table?.id
  useEffect(() => {
    if (shown) keepLast(shown)
  }, [shown, keepLast])
  const go = (words: string) => replaceAddress(`/books/${id}/workshop/tables${words}`)
  const show = (tableId: string) => go(`?table=${tableId}`)

  return (
    <Room
      indexLabel="Tables"
      index={<TableIndex tables={book.tables} here={table?.id} onPick={show} onAdd={(role) => go(`?add=${role}`)} />}
      margin={table && <TableMargin table={table} />}
    >
      {!table ? (
        <AddTable
          key={adding === 'list' ? 'list' : 'table'}
          role={adding === 'list' ? 'word-list' : undefined}
          first={book.tables.length === 0}
          asked={adding !== null}
          onAdded={(added) => go(`?table=${added}&next`)}
        />
      ) : (
        <TableSheet
          key={table.id}
          table={table}
          field={query.get('field') ?? undefined}
          writes={query.has('next')}
          onShow={show}
        />
      )}
    </Room>
  )
}

interface IndexProps {
  readonly tables: readonly Table[]
  readonly here: string | undefined
  readonly onPick: (table: string) => void
  readonly onAdd: (role: 'table' | 'list') => void
}

function TableIndex({ tables, here, onPick, onAdd }: IndexProps) {
  const [find, setFind] = useState('')
  const shown = tables.filter((table) => table.name.toLowerCase().includes(find.trim().toLowerCase()))
  const lists = shown.filter((table) => table.role === 'word-list')
  const row = (table: Table) => (
    <IndexRow key={table.id} here={table.id === here} count={table.fields.length} onPick={() => onPick(table.id)}>
      {table.name}
      {table.role === 'joining' && <span className="block text-xs font-normal text-brass">joining table</span>}
    </IndexRow>
  )
  return (
    <>
      {tables.length > 20 && (
        <div className="px-3.5 pb-2">
          <input
            aria-label="Find a table"
            placeholder="Find a table…"
            value={find}
            onChange={(event) => setFind(event.target.value)}
            className="w-full rounded-md border border-ash-4 bg-paper px-2.5 py-1"
          />
        </div>
      )}
      <IndexHead>Tables</IndexHead>
      {shown.filter((table) => table.role !== 'word-list').map(row)}
      <AddWord onAdd={() => onAdd('table')}>Add a table</AddWord>
      <IndexHead>Word lists</IndexHead>
      {lists.map(row)}
      <AddWord onAdd={() => onAdd('list')}>Add a word list</AddWord>
    </>
  )
}

const AddWord = ({ onAdd, children }: { readonly onAdd: () => void; readonly children: string }) => (
  <button
    type="button"
    onClick={onAdd}
    className="min-h-[34px] w-full pl-[26px] text-left font-semibold text-spruce underline underline-offset-2 focus-visible:-outline-offset-2"
  >
    {children}
  </button>
)

function TableMargin({ table }: { readonly table: Table }) {
  const { book } = useWorkshop()
  const own = new Set([table.id, ...table.fields.map((field) => field.id)])
  const advice = adviceOn(book).filter((piece) => own.has(piece.about))
  return (
    <>
      {advice.map((piece) => (
        <Note
          key={piece.piece + piece.about}
          mark={piece.weight === 'must-settle' ? 'settle' : 'look'}
          head={piece.head}
        >
          {piece.text}
        </Note>
      ))}
      <NeedsMet part={table.id} noun="table" />
      <Keys />
    </>
  )
}

function Keys() {
  return (
    <Note mark="info" head="Quick from the keyboard">
      In the line at the end: name, Tab, the kind by its first letters, Enter, next. Alt with ↑ or ↓ moves a field.
    </Note>
  )
}
