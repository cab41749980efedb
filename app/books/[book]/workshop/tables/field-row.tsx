'use client'

import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { ChevronDown, ChevronUp, GripVertical } from 'lucide-react'
import type { KeyboardEvent } from 'react'
import { type Book, type Field, linkOf, mustHold, type Table, tableOf } from '@/core/book'
import { derivedOf, displayOf, sayDerived } from '@/core/expressions'
import { isDerived, kindOf, showValue } from '@/core/kinds'
import { classNames, IconButton, Tag } from '@/ui/kit'
import { FieldControl } from '@/ui/controls'
import { useWorkshop } from '../workshop-context'
import { FieldEditor } from './field-editor'
import { InPlace } from './table-head'

interface Props {
  readonly table: Table
  readonly field: Field
  readonly unfolded: boolean
  readonly onUnfold: (open: boolean) => void
  readonly onMove: (by: number) => void
}

/** One field: its name, what it holds in words, the control staff will see; unfolded, all its settings. */
export function FieldRow({ table, field, unfolded, onUnfold, onMove }: Props) {
  const { book, edit } = useWorkshop()
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: field.id })
  const isKey = table.key.includes(field.id)

  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
    event.preventDefault()
    onMove(event.key === 'ArrowUp' ? -1 : 1)
  }
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      onKeyDown={onKeyDown}
      className={classNames(
        unfolded ? 'my-1.5 rounded-lg border border-ash-3 bg-ash-1' : 'border-b border-ash-3',
        isDragging && 'relative z-10 bg-paper shadow-float',
      )}
    >
      <div className="grid grid-cols-[28px_minmax(110px,1fr)_minmax(150px,2fr)_minmax(140px,200px)] items-center gap-x-3 py-1.5">
        <button
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${field.name}`}
          className="flex size-7 cursor-grab items-center justify-center rounded-sm text-ash-5"
        >
          <GripVertical size={15} aria-hidden />
        </button>
        <InPlace
          label={`Name of the field ${field.name}`}
          text={field.name}
          onKeep={(name) => edit({ kind: 'changeField', field: field.id, to: { name } })}
          className={classNames(
            '-ml-1.5 w-full min-w-0 font-bold',
            isKey && 'underline decoration-bright-brass decoration-2 underline-offset-4',
          )}
        />
        <span className="flex min-w-0 items-center gap-1">
          <button
            type="button"
            onClick={() => onUnfold(!unfolded)}
            aria-expanded={unfolded}
            aria-label={`Settings of ${field.name}`}
            className="min-h-7 min-w-0 flex-1 rounded-sm text-left text-ash-6 hover:text-ink"
          >
            <Summary book={book} table={table} field={field} isKey={isKey} />
          </button>
          <IconButton
            label={unfolded ? `Fold ${field.name}` : `Unfold ${field.name}`}
            tabIndex={-1}
            onClick={() => onUnfold(!unfolded)}
          >
            {unfolded ? <ChevronUp size={15} aria-hidden /> : <ChevronDown size={15} aria-hidden />}
          </IconButton>
        </span>
        <div className="pr-2">
          <Specimen book={book} field={field} />
        </div>
      </div>
      {unfolded && <FieldEditor table={table} field={field} />}
    </li>
  )
}

function Summary({
  book,
  table,
  field,
  isKey,
}: {
  readonly book: Book
  readonly table: Table
  readonly field: Field
  readonly isKey: boolean
}) {
  const target = field.kind === 'link' ? tableOf(book, linkOf(book, field.id).one) : undefined
  const words = target
    ? `${target.role === 'word-list' ? 'from' : 'to one'} ${target.name}`
    : isDerived(field)
      ? sayDerived(book, field)
      : kindOf(field.kind).summary(field, book.look)
  const parts = [
    words,
    mustHold(table, field) && field.kind !== 'running' && 'must be filled',
    field.unique && 'must be different',
    field.startsAs !== undefined &&
      `starts as ${['today', 'tomorrow', 'now'].includes(field.startsAs) ? field.startsAs : showValue(field.startsAs, field, book.look)}`,
  ]
  return (
    <>
      {isKey && <Tag look="brass">key</Tag>}
      {isKey && ' '}
      {target && <Tag look="sky">{target.role === 'word-list' ? 'word list' : 'link'}</Tag>}
      {target && ' '}
      {isDerived(field) && 'problem' in derivedOf(book, field.id) && <Tag look="ember">unfinished</Tag>}
      {parts.filter(Boolean).join(' · ')}
    </>
  )
}

/** The very control of the form, with a made-up value. It can be tried, and forgets. */
function Specimen({ book, field }: { readonly book: Book; readonly field: Field }) {
  const target = field.kind === 'link' ? tableOf(book, linkOf(book, field.id).one) : undefined
  const face = displayOf(book, field)
  const text = target ? `${target.name} …` : showValue(kindOf(face.kind).specimen(face) || null, face, book.look)
  if (isDerived(field))
    return (
      <output aria-hidden className="block truncate border-b border-dashed border-ash-4 px-0.5 py-1 text-ash-6">
        {text || '–'}
      </output>
    )
  return (
    <div aria-hidden inert className="pointer-events-none max-h-9 overflow-hidden">
      <FieldControl
        id={`specimen-${field.id}`}
        // A passage would need more room than a row has; its words fit a line.
        field={field.kind === 'passage' ? { ...field, kind: 'line' } : field}
        look={book.look}
        text={text}
        onText={() => undefined}
        {...(target && {
          link: {
            label: text,
            noun: target.name,
            search: () => Promise.resolve([]),
            onPick: () => undefined,
            onMiss: () => undefined,
          },
        })}
      />
    </div>
  )
}
