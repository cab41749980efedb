'use client'

import type { CSSProperties } from 'react'
import { useFieldArray, useFormContext, useFormState, useWatch } from 'react-hook-form'
import { type Book, type Field, fieldWith, type FormPart, mustHold } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { rowColumns, rowSum } from '@/core/forms'
import { isTyped, kindOf, type Now, showValue, type Value } from '@/core/kinds'
import { type FormText, type Inset, insetLimit, newRowText, readTyped } from '@/core/records'
import { counted, inSentence, plural } from '@/core/words'
import { freshId } from '@/ui/ids'
import { classNames, WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import { InsetCard, InsetRow, nameOfRow } from './inset-row'
import { useDerivedRows } from './live-facts'
import { addId, cellId } from './problems'
import { useRowsKeys } from './use-rows-keys'

interface Props {
  readonly inset: Inset
  /** How they stand on the form. */
  readonly part: Extract<FormPart, { kind: 'rows' }>
  readonly now: Now
  readonly readOnly: boolean
}

const widthOf = (book: Book, field: Field) => {
  const { control } = kindOf(displayOf(book, field).kind)
  if (control === 'link' || control === 'passage') return 'minmax(150px, 3fr)'
  return control === 'tick' ? '74px' : 'minmax(92px, 1fr)'
}

/** The rows that belong to a record, edited in place and saved with it. */
export function InsetGrid({ inset, part, now, readOnly }: Props) {
  const { book } = useRecords()
  const { control } = useFormContext<FormText>()
  const name = `insets.${inset.link.id}` as const
  // Rows of every inset have one shape; the library wants the name of one list.
  const { fields: rows, append, remove, replace } = useFieldArray({ control, name: name as never, keyName: 'key' })
  const shown = rowColumns(inset, part)
  const columns = { gridTemplateColumns: [...shown.map((field) => widthOf(book, field)), '36px'].join(' ') }
  const noun = inSentence(inset.table.name)
  const heading = part.label ?? plural(inset.table.name)
  const full = inset.single && rows.length > 0
  const { errors } = useFormState({ control, name: name as never })
  const lack = (errors.insets?.[inset.link.id] as { root?: { message?: string } } | undefined)?.root?.message

  const add = () => {
    append({ ...newRowText(book, inset, now), mark: freshId() }, { shouldFocus: false })
    const first = shown.find(isTyped)
    if (first) setTimeout(() => document.getElementById(cellId(inset.link.id, rows.length, first.id))?.focus())
  }
  const keys = useRowsKeys({
    ...{ inset, columns: shown, now, readOnly, replace },
    add: readOnly || full ? undefined : add,
  })
  return (
    <section aria-label={heading} {...keys} className="min-w-0 overflow-x-auto rounded-lg border border-ash-3">
      <div className="flex min-h-10 items-center justify-between px-4">
        <h2 className="flex items-baseline gap-2.5 text-(--form-words,inherit)">
          {heading} <span className="text-xs font-normal text-ash-6">{rows.length}</span>
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
        <Rows {...{ inset, part, shown, columns, readOnly, rows, remove, now }} />
      )}
    </section>
  )
}

interface RowsProps extends Props {
  readonly shown: readonly Field[]
  readonly columns: { readonly gridTemplateColumns: string }
  readonly rows: readonly { readonly key: string }[]
  readonly remove: (at: number) => void
}

/** So many rows are in sight, and scroll beyond. */
const inSight = (rows: number | undefined): CSSProperties | undefined =>
  rows === undefined ? undefined : { maxHeight: `${rows * 2.5 + 2}rem`, overflowY: 'auto' }

function Rows({ inset, part, shown, columns, readOnly, rows, remove, now }: RowsProps) {
  const { book } = useRecords()
  const noun = inSentence(inset.table.name)
  const row = (at: number) => ({ inset, at, fields: shown, readOnly, onDrop: () => remove(at) })
  if (part.cards)
    return (
      <div className="px-2 pb-2">
        <div style={part.shown === undefined ? undefined : { maxHeight: `${part.shown * 12}rem`, overflowY: 'auto' }}>
          <div className="grid grid-cols-[repeat(auto-fill,minmax(min(100%,220px),1fr))] gap-2">
            {rows.map((one, at) => (
              <InsetCard key={nameOfRow(one)} {...row(at)} />
            ))}
          </div>
        </div>
        <Sums inset={inset} part={part} now={now} shown={shown} />
      </div>
    )
  return (
    <div role="table" aria-label={counted(rows.length, noun)} className="min-w-fit px-2 pb-2">
      <div style={inSight(part.shown)}>
        <div
          role="row"
          className="sticky top-0 z-1 grid border-b border-ash-4 bg-paper text-[13px] text-ash-6"
          style={columns}
        >
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
        {rows.map((one, at) => (
          <InsetRow key={nameOfRow(one)} {...row(at)} columns={columns} />
        ))}
      </div>
      <Sums inset={inset} part={part} now={now} shown={shown} columns={columns} />
    </div>
  )
}

interface SumsProps extends Pick<Props, 'inset' | 'part' | 'now'> {
  readonly shown: readonly Field[]
  /** Where each column begins; a line for each sum where there are none. */
  readonly columns?: RowsProps['columns']
}

/** What rows come to as they are typed, each beneath its column; those to be taken out don't count. */
function Sums(props: SumsProps) {
  return props.part.sums && props.part.sums.length > 0 ? <SumLine {...props} sums={props.part.sums} /> : null
}

function SumLine({ inset, now, shown, columns, sums }: SumsProps & { readonly sums: readonly string[] }) {
  const { book } = useRecords()
  const { control } = useFormContext<FormText>()
  const typed = useWatch({ control, name: `insets.${inset.link.id}` as 'insets.x' }) ?? []
  const derived = useDerivedRows(inset.link.id)
  const sumOf = (field: Field): string => {
    const values = typed.map((row, at): Value | undefined => {
      if (row.removed) return null
      if (!isTyped(field)) return derived?.[at]?.[field.id]
      const read = readTyped(book, inset.table, field, row.text[field.id] ?? '', now)
      return read.ok ? read.value : undefined
    })
    const sum = rowSum(values)
    return sum === undefined ? '…' : showValue(sum, displayOf(book, field), book.look)
  }
  const summed = sums.map((id) => fieldWith(book, id).field)
  // There may be more of them than a form shows.
  const all = typed.length < insetLimit ? 'In all' : `These ${insetLimit}`
  if (!columns || summed.some((field) => !shown.includes(field)))
    return (
      <p className="flex flex-wrap justify-end gap-x-4 px-2.5 pt-1.5 text-[13px]">
        {summed.map((field) => (
          <span key={field.id}>
            <span className="text-ash-6">
              {field.name} {inSentence(all)}
            </span>{' '}
            <strong>{sumOf(field)}</strong>
          </span>
        ))}
      </p>
    )
  return (
    <div role="row" className="grid border-t border-ash-4 font-semibold" style={columns}>
      {shown.map((field, at) => (
        <span
          role="cell"
          key={field.id}
          className={classNames('px-2.5 py-1.5', kindOf(displayOf(book, field).kind).align === 'end' && 'text-right')}
        >
          {summed.includes(field) ? sumOf(field) : at === 0 && <span className="font-normal text-ash-6">{all}</span>}
        </span>
      ))}
      <span role="cell" />
    </div>
  )
}
