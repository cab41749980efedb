'use client'

import { useEffect } from 'react'
import { useFormContext, useWatch } from 'react-hook-form'
import type { FormPart, Table } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { linkedField } from '@/core/forms'
import { showValue } from '@/core/kinds'
import type { FormText } from '@/core/records'
import { Labelled } from '@/ui/kit'
import { useRecords } from '../records-context'
import { DerivedBox } from './derived-box'
import { useLinkedFacts } from './live-facts'

interface Props {
  readonly table: Table
  readonly part: Extract<FormPart, { kind: 'linked' }>
}

/** What the linked record says of itself, as it is there now. */
export function LinkedCell({ table, part }: Props) {
  const { book } = useRecords()
  const { control } = useFormContext<FormText>()
  const ref = useWatch({ control, name: `text.${part.link}` })
  const facts = useLinkedFacts()
  const found = linkedField(book, table.id, part)
  const values = ref ? facts?.linked(part.link, ref) : {}
  const ask = facts?.ask
  useEffect(() => {
    if (ref && !values) ask?.(new Set([`${part.link}~${ref}`]))
  })
  if (!found) return null
  const face = displayOf(book, found.field)
  const text = values && showValue(values[part.field] ?? null, face, book.look)
  return (
    <Labelled label={part.label ?? found.field.name} htmlFor={part.id} hint={`From ${found.link.name}`}>
      <DerivedBox
        id={part.id}
        field={found.field}
        spoken={part.label ?? found.field.name}
        text={text && face.unit ? `${text} ${face.unit}` : text}
      />
    </Labelled>
  )
}
