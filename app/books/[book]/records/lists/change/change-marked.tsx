'use client'

import { useState } from 'react'
import type { Field } from '@/core/book'
import { counted, inSentence } from '@/core/words'
import { Button, ChoiceBox, Dialog, Labelled } from '@/ui/kit'
import { isChangeable } from './changeable'
import type { Changing } from './changing'
import { useSending } from './use-sending'
import { ValueBox } from './value-box'

interface Props {
  readonly changing: Changing
  readonly onClose: () => void
}

/** Gives one field of all marked records the same value: in all of them, or in none. */
export function ChangeMarked({ changing, onClose }: Props) {
  const { table, marked } = changing
  const fields = table.fields.filter((field) => isChangeable(table, field))
  const [id, setId] = useState(fields[0]?.id ?? '')
  const { send, wrong, forget, busy, warning } = useSending(changing, [...marked.values()], id, onClose)
  const field: Field | undefined = fields.find((one) => one.id === id)
  const many = counted(marked.size, inSentence(table.name))
  if (warning) return warning
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Change ${many}`}
      say={
        field ? `${field.name} becomes the same in all of them, and nothing else changes. It can be taken back.` : ''
      }
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" form="change-marked" disabled={busy || !field}>
            {busy ? 'Changing …' : `Change ${many}`}
          </Button>
        </>
      }
    >
      {field ? (
        <div className="mt-3 flex flex-col gap-3">
          <Labelled label="Field" htmlFor="marked-field">
            <ChoiceBox
              id="marked-field"
              value={id}
              onChange={(event) => {
                setId(event.target.value)
                forget()
              }}
            >
              {fields.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
          <Labelled label="Becomes" htmlFor="change-marked-value">
            <ValueBox
              key={id}
              id="change-marked"
              table={table}
              field={field}
              start={{ text: '', label: '' }}
              wrong={wrong}
              onTyped={forget}
              onValue={(value) => void send(value)}
            />
          </Labelled>
        </div>
      ) : (
        <p className="mt-3">None of the fields of this table can be changed together.</p>
      )}
    </Dialog>
  )
}
