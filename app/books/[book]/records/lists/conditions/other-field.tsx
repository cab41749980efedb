'use client'

import type { Table } from '@/core/book'
import { type CompareDraft, fieldsLike } from '@/core/lists'
import { ChoiceBox, Labelled } from '@/ui/kit'
import { useRecords } from '../../records-context'

interface Props {
  readonly id: string
  readonly table: Table
  readonly draft: CompareDraft
  readonly onChange: (draft: CompareDraft) => void
}

/** With what a field is compared: with a value, or with another field of the record or of one that it leads to. */
export function OtherField({ id, table, draft, onChange }: Props) {
  const { book } = useRecords()
  const fields = fieldsLike(book, table, draft)
  if (fields.length === 0) return null
  return (
    <Labelled label="Compared with" htmlFor={`${id}-with`}>
      <ChoiceBox
        id={`${id}-with`}
        value={draft.other ? JSON.stringify(draft.other) : ''}
        onChange={(event) => {
          const other = fields.find(({ place }) => JSON.stringify(place) === event.target.value)?.place
          onChange({ ...draft, other, asked: other ? false : draft.asked })
        }}
      >
        <option value="">a value</option>
        {fields.map(({ place, of, words }) => (
          <option key={JSON.stringify(place)} value={JSON.stringify(place)}>
            {place.way.length > 0 ? `${of}: ${words}` : `its ${words}`}
          </option>
        ))}
      </ChoiceBox>
    </Labelled>
  )
}
