'use client'

import { RotateCcw, Trash2 } from 'lucide-react'
import { useController, useFormContext, useWatch } from 'react-hook-form'
import { type Field, mustHold } from '@/core/book'
import { isDerived } from '@/core/kinds'
import type { FormText, Inset, RowText } from '@/core/records'
import { inSentence } from '@/core/words'
import { classNames, IconButton } from '@/ui/kit'
import { BoundControl } from './bound-control'
import { DerivedBox } from './derived-box'
import { useDerivedText } from './live-facts'
import { cellId } from './problems'
import { useProblem } from './use-problem'

interface RowProps {
  readonly inset: Inset
  readonly at: number
  readonly fields: readonly Field[]
  readonly columns: { readonly gridTemplateColumns: string }
  readonly readOnly: boolean
  readonly onDrop: () => void
}

/** The library gives rows new keys whenever the form is filled anew; a row that stays must keep its boxes. */
export function nameOfRow(row: { readonly key: string }): string {
  const { mark, ref } = row as Partial<RowText>
  return mark ?? ref ?? row.key
}

/** Whether a row is to be taken out, and how that is done: a stored one stays in sight, struck out, until the record is saved; a new one simply goes. */
function useTakingOut({ inset, at, onDrop }: Pick<RowProps, 'inset' | 'at' | 'onDrop'>) {
  const { control, setValue } = useFormContext<FormText>()
  const path = `insets.${inset.link.id}.${at}` as const
  const ref = useWatch({ control, name: `${path}.ref` as 'text.x' }) as unknown as string | null
  const removed = useWatch({ control, name: `${path}.removed` as 'text.x' }) as unknown as boolean
  const put = (to: boolean) => setValue(`${path}.removed` as 'text.x', to as never, { shouldDirty: true })
  return { removed, drop: () => (ref === null ? onDrop() : put(true)), restore: () => put(false) }
}

function TakeOut({ noun, at, taking }: { noun: string; at: number; taking: ReturnType<typeof useTakingOut> }) {
  return taking.removed ? (
    <IconButton label={`Restore this ${noun}`} onClick={taking.restore}>
      <RotateCcw size={14} aria-hidden />
    </IconButton>
  ) : (
    <IconButton label={`Remove ${noun} ${at + 1}`} onClick={taking.drop}>
      <Trash2 size={14} aria-hidden />
    </IconButton>
  )
}

/** A row of the grid. */
export function InsetRow({ inset, at, fields, columns, readOnly, onDrop }: RowProps) {
  const taking = useTakingOut({ inset, at, onDrop })
  return (
    <div
      role="row"
      className={classNames(
        'grid items-start border-b border-ash-3 py-0.5 last:border-b-0',
        taking.removed && 'line-through opacity-60',
      )}
      style={columns}
    >
      {fields.map((field) => (
        <span role="cell" key={field.id} data-cell={`${at} ${field.id}`} className="relative min-w-0 focus-within:z-10">
          <InsetBox inset={inset} at={at} field={field} readOnly={readOnly || taking.removed} />
        </span>
      ))}
      <span role="cell" className="flex justify-end py-0.5">
        {!readOnly && <TakeOut noun={inSentence(inset.table.name)} at={at} taking={taking} />}
      </span>
    </div>
  )
}

/** A row on a card of its own, each box with its label. */
export function InsetCard({ inset, at, fields, readOnly, onDrop }: Omit<RowProps, 'columns'>) {
  const taking = useTakingOut({ inset, at, onDrop })
  const noun = inSentence(inset.table.name)
  return (
    <div
      role="group"
      aria-label={`${inset.table.name} ${at + 1}`}
      className={classNames(
        'relative flex flex-col gap-1 rounded-md border border-ash-3 px-1 py-2',
        taking.removed && 'line-through opacity-60',
      )}
    >
      {fields.map((field) => (
        <div key={field.id} data-cell={`${at} ${field.id}`} className="grid grid-cols-[38%_minmax(0,1fr)] items-start">
          <span className="pt-2 pl-2.5 text-[13px] text-ash-6 [overflow-wrap:anywhere]">
            {field.name}
            {mustHold(inset.table, field) && ' *'}
          </span>
          <InsetBox inset={inset} at={at} field={field} readOnly={readOnly || taking.removed} />
        </div>
      ))}
      {!readOnly && (
        <span className="flex justify-end px-1">
          <TakeOut noun={noun} at={at} taking={taking} />
        </span>
      )}
    </div>
  )
}

interface BoxProps {
  readonly inset: Inset
  readonly at: number
  readonly field: Field
  readonly readOnly: boolean
}

const InsetBox = (props: BoxProps) =>
  isDerived(props.field) ? <DerivedInsetBox {...props} /> : <TypedInsetBox {...props} />

function DerivedInsetBox({ inset, at, field }: BoxProps) {
  const text = useDerivedText(field, { link: inset.link.id, at })
  const problem = useProblem(`insets.${inset.link.id}.${at}.text.${field.id}`)
  const id = cellId(inset.link.id, at, field.id)
  return (
    <>
      <DerivedBox
        compact
        id={id}
        field={field}
        text={text}
        spoken={`${field.name}, row ${at + 1}`}
        invalid={problem !== undefined}
      />
      {problem && <CellNote id={id} words={problem} />}
    </>
  )
}

const CellNote = ({ id, words }: { readonly id: string; readonly words: string }) => (
  <span id={`${id}-note`} role="alert" className="block px-2.5 pb-1 text-xs text-ember">
    {words}
  </span>
)

function TypedInsetBox({ inset, at, field, readOnly }: BoxProps) {
  const { control } = useFormContext<FormText>()
  const path = `insets.${inset.link.id}.${at}` as const
  const name = `${path}.text.${field.id}` as const
  const { fieldState } = useController({ control, name: name as `text.${string}` })
  const problem = fieldState.error?.message
  const id = cellId(inset.link.id, at, field.id)
  return (
    <>
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
    </>
  )
}
