'use client'

import type { Along } from '@/core/book'
import { alongChoices, numberColumns, type ReadColumn } from '@/core/lists'
import { ChoiceBox, Labelled } from '@/ui/kit'
import { useRecords } from '../../records-context'
import type { Draft } from './draft'

interface Props {
  readonly columns: readonly ReadColumn[]
  readonly draft: Draft
  readonly onChange: (to: Partial<Draft>) => void
}

/** A number of each record told among those of all others. */
export function AmongParts({ columns, draft, onChange }: Props) {
  const { book } = useRecords()
  const numbers = numberColumns(book, columns)
  if (numbers.length === 0)
    return <p className="text-[13px] text-brass">No column has numbers yet. Tick one in the list first.</p>
  return (
    <>
      <Labelled label="Column" htmlFor="among-column">
        <ChoiceBox
          id="among-column"
          value={draft.column}
          onChange={(event) => onChange({ column: event.target.value })}
        >
          <option value="">Choose a column …</option>
          {numbers.map(({ id, heading }) => (
            <option key={id} value={id}>
              {heading}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      <Labelled
        label="What is told of it"
        htmlFor="among-name"
        hint="Of all records that the list asks for; within groups, of those of the group."
      >
        <ChoiceBox
          id="among-name"
          value={draft.name}
          onChange={(event) => onChange({ name: event.target.value as Along })}
        >
          {alongChoices.map(({ name, words }) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
    </>
  )
}
