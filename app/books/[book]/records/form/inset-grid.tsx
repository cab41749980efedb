'use client'

import { RotateCcw, Trash2 } from 'lucide-react'
import { type KeyboardEvent } from 'react'
import { useController, useFieldArray, useFormContext, useFormState, useWatch } from 'react-hook-form'
import { type Book, type Field, mustHold } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { isDerived, isTyped, kindOf, type Now } from '@/core/kinds'
import { type FormText, type Inset, newRowText, type RowText } from '@/core/records'
import { counted, inSentence, plural } from '@/core/words'
import { freshId } from '@/ui/ids'
import { classNames, IconButton, WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import { BoundControl } from './bound-control'
import { DerivedBox } from './derived-box'
import { useDerivedText } from './live-facts'
import { addId, cellId } from './problems'
import { useProblem } from './use-problem'

interface Props {
  readonly inset: Inset
  readonly now: Now
  readonly readOnly: boolean
}

const widthOf = (book: Book, field: Field) => {
  const { control } = kindOf(displayOf(book, field).kind)
  if (control === 'link' || control === 'passage') return 'minmax(150px, 3fr)'
  return control === 'tick' ? '74px' : 'minmax(92px, 1fr)'
}

/** The rows that belong to a record, edited in place and saved with it. */
export function InsetGrid({ inset, now, readOnly }: Props) {
  const { book } = useRecords()
  const { control } = useFormContext<FormText>()
  const name = `insets.${inset.link.id}` as const
  // Rows of every inset have one shape; the library wants the name of one list.
  const { fields: rows, append, remove } = useFieldArray({ control, name: name as never, keyName: 'key' })
  const shown = inset.fields.filter((field) => kindOf(field.kind).control !== 'given')
  const columns = { gridTemplateColumns: [...shown.map((field) => widthOf(book, field)), '36px'].join(' ') }
  const noun = inSentence(inset.table.name)
  const full = inset.single && rows.length > 0
  const { errors } = useFormState({ control, name: name as never })
  const lack = (errors.insets?.[inset.link.id] as { root?: { message?: string } } | undefined)?.root?.message

  const add = () => {
    append({ ...newRowText(book, inset, now), mark: freshId() }, { shouldFocus: false })
    const first = shown.find(isTyped)
    if (first) setTimeout(() => document.getElementById(cellId(inset.link.id, rows.length, first.id))?.focus())
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey || event.key.toLowerCase() !== 'a' || readOnly || full) return
    event.preventDefault()
    add()
  }
  return (
    <section
      aria-label={plural(inset.table.name)}
      onKeyDown={onKeyDown}
      className="min-w-fit rounded-lg border border-ash-3"
    >
      <div className="flex min-h-10 items-center justify-between px-4">
        <h2 className="flex items-baseline gap-2.5">
          {plural(inset.table.name)} <span className="text-xs font-normal text-ash-6">{rows.length}</span>
        </h2>
        {!readOnly && !full && (
          <WordButton id={addId(inset.link.id)} data-lacks={lack ? '' : undefined} onClick={add}>
            Add<span className="sr-only"> {noun}</span>
          </WordButton>
        )}
      </div>
      {lack && (
        <p role="alert" className="px-4 pb-2 text-[13px] text-ember">
          {lack}
        </p>
      )}
      {rows.length === 0 ? (
        !lack && (
          <p className="px-4 pb-3 text-[13px] text-ash-6">
            {inset.link.least === 1 ? `At least one ${noun} is needed.` : `No ${plural(noun)} yet.`}
          </p>
        )
      ) : (
        <div role="table" aria-label={`${counted(rows.length, noun)}`} className="px-2 pb-2">
          <div role="row" className="grid border-b border-ash-4 text-[13px] text-ash-6" style={columns}>
            {shown.map((field) => (
              <span
                role="columnheader"
                key={field.id}
                className={classNames(
                  'truncate px-2.5 py-1',
                  kindOf(displayOf(book, field).kind).align === 'end' && 'text-right',
                )}
              >
                {field.name}
                {mustHold(inset.table, field) && ' *'}
              </span>
            ))}
            <span role="columnheader">
              <span className="sr-only">Remove</span>
            </span>
          </div>
          {rows.map((row, at) => (
            <InsetRow
              key={nameOf(row)}
              inset={inset}
              at={at}
              fields={shown}
              columns={columns}
              readOnly={readOnly}
              onDrop={() => remove(at)}
            />
          ))}
        </div>
      )}
    </section>
  )
}

/** The library gives rows new keys whenever the form is filled anew; a row that stays must keep its boxes. */
function nameOf(row: { readonly key: string }): string {
  const { mark, ref } = row as Partial<RowText>
  return mark ?? ref ?? row.key
}

interface RowProps {
  readonly inset: Inset
  readonly at: number
  readonly fields: readonly Field[]
  readonly columns: { readonly gridTemplateColumns: string }
  readonly readOnly: boolean
  readonly onDrop: () => void
}

function InsetRow({ inset, at, fields, columns, readOnly, onDrop }: RowProps) {
  const { control, setValue } = useFormContext<FormText>()
  const path = `insets.${inset.link.id}.${at}` as const
  const ref = useWatch({ control, name: `${path}.ref` as 'text.x' }) as unknown as string | null
  const removed = useWatch({ control, name: `${path}.removed` as 'text.x' }) as unknown as boolean
  const noun = inSentence(inset.table.name)
  // A stored row stays in sight, struck out, until the record is saved; a new one simply goes.
  const drop = () =>
    ref === null ? onDrop() : setValue(`${path}.removed` as 'text.x', true as never, { shouldDirty: true })
  return (
    <div
      role="row"
      className={classNames(
        'grid items-start border-b border-ash-3 py-0.5 last:border-b-0',
        removed && 'line-through opacity-60',
      )}
      style={columns}
    >
      {fields.map((field) =>
        isDerived(field) ? (
          <DerivedInsetCell key={field.id} inset={inset} at={at} field={field} />
        ) : (
          <InsetCell key={field.id} inset={inset} at={at} field={field} readOnly={readOnly || removed} />
        ),
      )}
      <span role="cell" className="flex justify-end py-0.5">
        {!readOnly &&
          (removed ? (
            <IconButton
              label={`Restore this ${noun}`}
              onClick={() => setValue(`${path}.removed` as 'text.x', false as never, { shouldDirty: true })}
            >
              <RotateCcw size={14} aria-hidden />
            </IconButton>
          ) : (
            <IconButton label={`Remove ${noun} ${at + 1}`} onClick={drop}>
              <Trash2 size={14} aria-hidden />
            </IconButton>
          ))}
      </span>
    </div>
  )
}

function DerivedInsetCell({ inset, at, field }: { readonly inset: Inset; readonly at: number; readonly field: Field }) {
  const text = useDerivedText(field, { link: inset.link.id, at })
  const problem = useProblem(`insets.${inset.link.id}.${at}.text.${field.id}`)
  const id = cellId(inset.link.id, at, field.id)
  return (
    <span role="cell" className="relative min-w-0 focus-within:z-10">
      <DerivedBox
        compact
        id={id}
        field={field}
        text={text}
        spoken={`${field.name}, row ${at + 1}`}
        invalid={problem !== undefined}
      />
      {problem && <CellNote id={id} words={problem} />}
    </span>
  )
}

const CellNote = ({ id, words }: { readonly id: string; readonly words: string }) => (
  <span id={`${id}-note`} role="alert" className="block px-2.5 pb-1 text-xs text-ember">
    {words}
  </span>
)

function InsetCell({
  inset,
  at,
  field,
  readOnly,
}: {
  readonly inset: Inset
  readonly at: number
  readonly field: Field
  readonly readOnly: boolean
}) {
  const { control } = useFormContext<FormText>()
  const path = `insets.${inset.link.id}.${at}` as const
  const name = `${path}.text.${field.id}` as const
  const { fieldState } = useController({ control, name: name as `text.${string}` })
  const problem = fieldState.error?.message
  const id = cellId(inset.link.id, at, field.id)
  return (
    <span role="cell" className="relative min-w-0 focus-within:z-10">
      <BoundControl
        compact
        name={name}
        labelName={`${path}.labels.${field.id}`}
        id={id}
        field={field}
        invalid={problem !== undefined}
        readOnly={readOnly}
        spoken={`${field.name}, row ${at + 1}`}
      />
      {problem && <CellNote id={id} words={problem} />}
    </span>
  )
}
