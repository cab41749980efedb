'use client'

import { useState } from 'react'
import type { Field } from '@/core/book'
import type { Value } from '@/core/kinds'
import { counted, inSentence } from '@/core/words'
import { Button, ChoiceBox, Dialog, Labelled } from '@/ui/kit'
import { WarningDialog } from '../../form/warning-dialog'
import { isChangeable } from './changeable'
import type { Changing, Warned } from './changing'
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
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [warned, setWarned] = useState<Warned & { readonly value: Value }>()
  const field: Field | undefined = fields.find((one) => one.id === id)
  const many = counted(marked.size, inSentence(table.name))
  const send = async (value: Value, despite: readonly string[] = []) => {
    if (!field) return
    setBusy(true)
    const sent = await changing.change([...marked.values()], { [field.id]: value }, despite)
    setBusy(false)
    if (sent.kind === 'done') onClose()
    else if (sent.kind === 'warned') setWarned({ ...sent, value })
    else setWrong(sent.words)
  }
  if (warned)
    return (
      <WarningDialog
        warnings={warned.warnings}
        onClose={() => setWarned(undefined)}
        onSave={() => {
          setWarned(undefined)
          void send(
            warned.value,
            warned.warnings.map(({ rule }) => rule),
          )
        }}
      />
    )
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
                setWrong('')
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
              onTyped={() => setWrong('')}
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
