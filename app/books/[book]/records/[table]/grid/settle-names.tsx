'use client'

import { useState } from 'react'
import { type Field, linkOf, type Table, tableOf } from '@/core/book'
import type { CellText, OpenName } from '@/core/grid'
import { counted, inSentence } from '@/core/words'
import { Button, Dialog } from '@/ui/kit'
import { FieldControl, type LinkOption } from '@/ui/controls'
import { noteLately } from '../../form/lately'
import { sayMissed, searchLinked } from '../../form/search-linked'
import { useRecords } from '../../records-context'

/** So many are asked at a time; the others come when these are settled. */
const most = 50

interface Props {
  readonly table: Table
  readonly names: readonly OpenName[]
  readonly onClose: () => void
  readonly onSettle: (field: Field, words: string, cell: CellText) => void
}

/** Names in links that are no record's, or several records': each is settled once, for all rows that have it. */
export function SettleNames({ table, names, onClose, onSettle }: Props) {
  return (
    <Dialog
      open
      onClose={onClose}
      title={names.length > 0 ? `${counted(names.length, 'name')} to settle` : 'All names are settled'}
      say={
        names.length > 0
          ? `Say which record each name means, or add a new one. It goes into every ${inSentence(table.name)} that has the name.`
          : `Every ${inSentence(table.name)} has its records now.`
      }
      actions={
        <Button look="main" onClick={onClose}>
          Back to the grid
        </Button>
      }
    >
      <ul className="mt-3 flex max-h-[50vh] flex-col overflow-y-auto">
        {names.slice(0, most).map((name) => (
          <OneName key={`${name.field.id} ${name.words}`} name={name} onSettle={onSettle} />
        ))}
      </ul>
      {names.length > most && (
        <p className="pt-2 text-[13px] text-ash-6">
          {counted(names.length - most, 'further name')} when these are settled.
        </p>
      )}
    </Dialog>
  )
}

function OneName({ name: { field, words, rows }, onSettle }: { readonly name: OpenName } & Pick<Props, 'onSettle'>) {
  const { id: bookId, book, base, addLinked } = useRecords()
  const [said, setSaid] = useState('')
  const target = tableOf(book, linkOf(book, field.id).one)
  const pick = (option: LinkOption | undefined) => {
    if (!option) return
    noteLately(bookId, target.id, option)
    onSettle(field, words, { text: option.ref, label: option.label })
  }
  const add = (typed: string) =>
    void addLinked({ table: target.id, words: typed || words }).then((added) => added && pick(added))
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] items-center gap-x-3 border-b border-ash-3 py-1.5 max-sm:grid-cols-1">
      <span className="min-w-0 [overflow-wrap:anywhere]">
        <b>{words}</b>{' '}
        <span className="text-[13px] text-ash-6">
          {field.name}, {counted(rows, 'row')}
        </span>
      </span>
      <FieldControl
        id={`settle-${field.id}-${words}`}
        field={field}
        look={book.look}
        text=""
        onText={setSaid}
        name={`The ${inSentence(target.name)} that “${words}” means`}
        link={{
          label: said,
          noun: inSentence(target.name),
          search: (typed) => searchLinked(base, bookId, target, typed),
          onPick: pick,
          onMiss: sayMissed(target),
          onAdd: add,
        }}
      />
      <Button small onClick={() => add(words)}>
        Add it
      </Button>
    </li>
  )
}
