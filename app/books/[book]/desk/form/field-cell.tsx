'use client'

import type { CSSProperties } from 'react'
import { useController, useFormContext } from 'react-hook-form'
import { type Field, mustHold, type Table } from '@/core/book'
import { isDerived } from '@/core/kinds'
import { type FormText, keyStays } from '@/core/records'
import { Labelled } from '@/ui/kit'
import { useDesk } from '../desk-context'
import { BoundControl } from './bound-control'
import { DerivedBox } from './derived-box'
import { useDerivedText } from './live-facts'

interface Props {
  readonly table: Table
  readonly field: Field
  readonly span: number
  /** Already in the database. */
  readonly stored: boolean
  readonly readOnly: boolean
}

/** One field of the form with its label, its note and what is wrong with it. */
export function FieldCell(props: Props) {
  return isDerived(props.field) ? <DerivedCell {...props} /> : <TypedCell {...props} />
}

/** What comes by itself: shown where it belongs, never typed. */
function DerivedCell({ field, span }: Props) {
  const text = useDerivedText(field)
  return (
    <div data-field={field.id} className="col-span-12 md:col-span-(--span)" style={{ '--span': span } as CSSProperties}>
      <Labelled label={field.name} htmlFor={field.id} hint={field.note}>
        <DerivedBox id={field.id} field={field} text={text} />
      </Labelled>
    </div>
  )
}

function TypedCell({ table, field, span, stored, readOnly }: Props) {
  const { book } = useDesk()
  const { control } = useFormContext<FormText>()
  const { fieldState } = useController({ control, name: `text.${field.id}` })
  const problem = fieldState.error?.message
  const fixed = stored && table.key.includes(field.id) && keyStays(book, table)
  return (
    <div data-field={field.id} className="col-span-12 md:col-span-(--span)" style={{ '--span': span } as CSSProperties}>
      <Labelled label={field.name} htmlFor={field.id} hint={field.note} problem={problem} must={mustHold(table, field)}>
        <BoundControl
          name={`text.${field.id}`}
          labelName={`labels.${field.id}`}
          id={field.id}
          field={field}
          invalid={problem !== undefined}
          readOnly={readOnly || fixed}
        />
      </Labelled>
    </div>
  )
}
