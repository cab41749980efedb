'use client'

import { useController, useFormContext, useFormState } from 'react-hook-form'
import { type Field, type FormPart, mustHold, type Table } from '@/core/book'
import { isDerived } from '@/core/kinds'
import type { FormText } from '@/core/records'
import { Labelled } from '@/ui/kit'
import { BoundControl } from './bound-control'
import { DerivedBox } from './derived-box'
import { useDerivedText, useFrozenWords } from './live-facts'
import { useProblem } from './use-problem'

interface Props {
  readonly table: Table
  readonly field: Field
  /** How it stands on the form. */
  readonly part: Extract<FormPart, { kind: 'field' }>
  /** Already in the database. */
  readonly stored: boolean
  readonly readOnly: boolean
  /** It must be filled at this moment, beyond what the table asks. */
  readonly must: boolean
}

/** One field of the form with its label, its note and what is wrong with it. */
export function FieldCell(props: Props) {
  return isDerived(props.field) ? <DerivedCell {...props} /> : <TypedCell {...props} />
}

/** What comes by itself: shown where it belongs, never typed. */
function DerivedCell({ field, part }: Props) {
  const text = useDerivedText(field)
  const frozen = useFrozenWords(field)
  const problem = useProblem(`text.${field.id}`)
  const hint = frozen ?? part.help ?? field.note
  return (
    <Labelled
      label={part.label ?? field.name}
      labelled={part.labelled}
      htmlFor={field.id}
      hint={hint}
      problem={problem}
    >
      <DerivedBox id={field.id} field={field} text={text} frozen={frozen} invalid={problem !== undefined} />
    </Labelled>
  )
}

function TypedCell({ table, field, part, stored, readOnly, must }: Props) {
  const { control } = useFormContext<FormText>()
  const { fieldState } = useController({ control, name: `text.${field.id}` })
  const problem = fieldState.error?.message
  const { dirtyFields } = useFormState({ control })
  const isKey = stored && table.key.includes(field.id)
  const hint =
    isKey && dirtyFields.text?.[field.id] ? 'What is linked to this record follows.' : (part.help ?? field.note)
  return (
    <Labelled
      label={part.label ?? field.name}
      labelled={part.labelled}
      htmlFor={field.id}
      hint={hint}
      problem={problem}
      must={must || mustHold(table, field)}
    >
      <BoundControl
        name={`text.${field.id}`}
        labelName={`labels.${field.id}`}
        id={field.id}
        field={field}
        invalid={problem !== undefined}
        readOnly={readOnly}
        tall={part.tall}
      />
    </Labelled>
  )
}
