'use client'

import { useRouter } from 'next/navigation'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import { fieldOf, freeName, goesWith, linksFrom, type Table } from '@/core/book'
import { saidOfTable } from '@/core/lists'
import { counted, listed } from '@/core/words'
import { physicalNames } from '@/core/physical'
import { Button, classNames, Dialog, Tag, TickBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { ReshapeTable } from './reshape-table'

/** A table's name, what it keeps, what staff know its records by, its key; copying and removing it. */
export function TableHead({ table, onShow }: { readonly table: Table; readonly onShow: (table: string) => void }) {
  const { book, edit } = useWorkshop()
  const [removing, setRemoving] = useState(false)
  const [reshaping, setReshaping] = useState(false)
  const names = (ids: readonly string[]) => listed(ids.map((id) => fieldOf(table, id).name))

  const copy = () => {
    const parts = [...table.fields, ...linksFrom(book, table.id)]
    const id = freshId()
    const ids = Object.fromEntries(parts.map((part) => [part.id, freshId()]))
    if (edit({ kind: 'copyTable', table: table.id, id, name: freeName(`${table.name} copy`, book.tables), ids }))
      onShow(id)
  }
  return (
    <header>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div className="flex min-w-0 flex-1 items-center gap-3">
          <h1 className="sr-only">{table.name}</h1>
          <InPlace
            label="Name of the table"
            text={table.name}
            onKeep={(name) => edit({ kind: 'renameTable', table: table.id, name })}
            className="field-sizing-content min-w-[4ch] max-w-[420px] text-[22px] leading-tight font-bold"
          />
          {table.role && (
            <Tag look={table.role === 'joining' ? 'brass' : 'ash'}>
              {table.role === 'joining' ? 'joining table' : 'word list'}
            </Tag>
          )}
        </div>
        <div className="flex gap-2">
          <Button onClick={() => setReshaping(true)}>Split or join</Button>
          <Button onClick={copy}>Copy</Button>
          <Button onClick={() => setRemoving(true)}>Remove</Button>
        </div>
      </div>
      <InPlace
        label="What the table keeps"
        text={table.describe ?? ''}
        placeholder="Say in a line what one record stands for"
        onKeep={(describe) => edit({ kind: 'describeTable', table: table.id, describe })}
        className="mt-1 w-full text-ash-6"
      />
      <p className="mt-1 flex flex-wrap items-center gap-x-1.5 px-1.5 text-ash-6">
        <span>Unique by</span>
        <FieldsPopover
          table={table}
          chosen={table.key}
          title={`The key of ${table.name}`}
          say="One field, or several together. This is its key: always filled, always different, never changing."
          onChoose={(fields) => edit({ kind: 'setKey', table: table.id, fields })}
        >
          {table.key.length > 0 ? names(table.key) : 'nothing yet'}
        </FieldsPopover>
        <span>· shown as</span>
        <FieldsPopover
          table={table}
          chosen={table.knownBy}
          title="Shown as"
          say="Shown wherever a link to it is chosen, in this order."
          onChoose={(fields) => fields.length > 0 && edit({ kind: 'setKnownBy', table: table.id, fields })}
        >
          {table.knownBy.length > 0 ? names(table.knownBy) : 'its key'}
        </FieldsPopover>
      </p>
      <LiveNameLine table={table} />
      {reshaping && <ReshapeTable table={table} onClose={() => setReshaping(false)} onShow={onShow} />}
      <RemoveTable table={table} open={removing} onClose={() => setRemoving(false)} />
    </header>
  )
}

/** What other programs find the table under; it follows the name on screen until it is chosen here. */
function LiveNameLine({ table }: { readonly table: Table }) {
  const { book, edit } = useWorkshop()
  return (
    <p className="flex flex-wrap items-center gap-x-1.5 px-1.5 text-[13px] text-ash-6">
      <span>In the database it is called</span>
      <InPlace
        label="Name of the table in the database"
        text={table.liveName ?? ''}
        placeholder={physicalNames(book).table(table.id)}
        onKeep={(name) => edit({ kind: 'nameLive', part: table.id, name })}
        className="field-sizing-content min-w-[4ch] font-mono"
      />
    </p>
  )
}

interface InPlaceProps {
  readonly label: string
  readonly text: string
  readonly placeholder?: string
  readonly className?: string
  readonly onKeep: (text: string) => boolean
}

/** Words edited where they stand: Enter keeps, Escape goes back. */
export function InPlace({ label, text, placeholder, className, onKeep }: InPlaceProps) {
  const [typed, setTyped] = useState<string>()
  const keep = () => {
    if (typed !== undefined && typed.trim() !== text) onKeep(typed)
    setTyped(undefined)
  }
  return (
    <input
      aria-label={label}
      value={typed ?? text}
      placeholder={placeholder}
      spellCheck={false}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur()
        if (event.key === 'Escape') {
          setTyped(undefined)
          event.stopPropagation()
        }
      }}
      className={classNames(
        'min-h-8 rounded-sm border border-transparent bg-transparent px-1.5 hover:border-ash-4 focus:border-ash-4 focus:bg-paper',
        className,
      )}
    />
  )
}

interface PopoverProps {
  readonly table: Table
  readonly chosen: readonly string[]
  readonly title: string
  readonly say: string
  readonly onChoose: (fields: string[]) => void
  readonly children: string
}

function FieldsPopover({ table, chosen, title, say, onChoose, children }: PopoverProps) {
  return (
    <Popover.Root>
      <Popover.Trigger className="min-h-7 rounded-sm font-semibold text-ink underline decoration-bright-brass decoration-2 underline-offset-4">
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          aria-label={title}
          className="z-40 max-h-[60vh] w-[300px] overflow-y-auto rounded-lg bg-paper p-4 shadow-float"
        >
          <p className="font-bold">{title}</p>
          <p className="mb-2 text-[13px] text-ash-6">{say}</p>
          <ul>
            {table.fields.map((field) => (
              <li key={field.id}>
                <TickBox
                  id={`${title}-${field.id}`}
                  checked={chosen.includes(field.id)}
                  label={field.name}
                  onChange={(now) => onChoose(now ? [...chosen, field.id] : chosen.filter((id) => id !== field.id))}
                />
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

/** Says what goes with the table before it goes. */
function RemoveTable({
  table,
  open,
  onClose,
}: {
  readonly table: Table
  readonly open: boolean
  readonly onClose: () => void
}) {
  const { id, book, edit, opened } = useWorkshop()
  const router = useRouter()
  const { joining, fields } = goesWith(book, table.id)
  const lists = saidOfTable(book, table.id)
  const remove = () => {
    onClose()
    if (edit({ kind: 'removeTable', table: table.id })) router.replace(`/books/${id}/workshop/tables`)
  }
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={`Remove ${table.name}?`}
      say={`Its ${counted(table.fields.length, 'field')} go with it. You can undo this.`}
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="ember" onClick={remove}>
            Remove {table.name}
          </Button>
        </>
      }
    >
      {(joining.length > 0 || fields.length > 0 || lists.length > 0) && (
        <ul className="mt-3 list-disc pl-5">
          {joining.map((other) => (
            <li key={other.id}>
              The joining table <b>{other.name}</b> goes too, because it links {table.name}.
            </li>
          ))}
          {fields.map(({ table: other, field }) => (
            <li key={field.id}>
              <b>{other.name}</b> loses its link <b>{field.name}</b>.
            </li>
          ))}
          {lists.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      {opened.everOpened && (
        <p className="mt-3 text-ash-6">
          The records stay until the book is opened again. Opening names them and asks before any of them goes.
        </p>
      )}
    </Dialog>
  )
}
