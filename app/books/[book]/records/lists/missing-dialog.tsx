'use client'

import { useState } from 'react'
import { type List, tableOf } from '@/core/book'
import { missableFields, sayGap } from '@/core/lists'
import { inSentence, plural } from '@/core/words'
import { Button, ChoiceBox, Dialog, Labelled } from '@/ui/kit'
import { useRecords } from '../records-context'
import { Refused } from '../rows-query'
import { useMissing } from './use-list-lines'

interface Props {
  readonly list: List
  readonly given: Readonly<Record<string, string>>
  readonly onClose: () => void
}

/** The numbers, days or words that no record of a list has. */
export function MissingDialog({ list, given, onClose }: Props) {
  const { book } = useRecords()
  const table = tableOf(book, list.table)
  const fields = missableFields(table)
  const [id, setId] = useState(fields[0]?.id ?? '')
  return (
    <Dialog
      open
      onClose={onClose}
      title="What is missing"
      say={`Numbers and days between the least and the greatest that these ${plural(inSentence(table.name))} have, and words of a choice that none has.`}
      actions={
        <Button look="main" onClick={onClose}>
          Close
        </Button>
      }
    >
      <div className="mt-3 flex flex-col gap-3">
        <Labelled label="Field" htmlFor="missing-field">
          <ChoiceBox id="missing-field" value={id} onChange={(event) => setId(event.target.value)}>
            {fields.map((field) => (
              <option key={field.id} value={field.id}>
                {field.name}
              </option>
            ))}
          </ChoiceBox>
        </Labelled>
        <Missing list={list} given={given} field={id} />
      </div>
    </Dialog>
  )
}

function Missing({ list, given, field: id }: Omit<Props, 'onClose'> & { readonly field: string }) {
  const { book, base } = useRecords()
  const field = tableOf(book, list.table).fields.find((one) => one.id === id)
  const found = useMissing(base, list, given, id)
  if (!field) return null
  if (found.isError)
    return (
      <p role="alert" className="text-ember">
        {found.error instanceof Refused ? found.error.message : 'It could not be read. Try again.'}
      </p>
    )
  if (!found.data) return <p className="text-ash-6">Looking …</p>
  const { gaps, more } = found.data
  return (
    <div role="status">
      {gaps.length === 0 && <p>Nothing is missing.</p>}
      <ul className="columns-2 gap-6 font-mono text-[13px]">
        {gaps.map((gap) => (
          <li key={gap.from}>{sayGap(book, field, gap)}</li>
        ))}
      </ul>
      {more && <p className="mt-2 text-[13px] text-ash-6">These are the first {gaps.length}.</p>}
    </div>
  )
}
