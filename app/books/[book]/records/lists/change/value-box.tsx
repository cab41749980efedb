'use client'

import { type FormEvent, useState } from 'react'
import { FormProvider, useForm } from 'react-hook-form'
import { officeNow } from '@/app/office-now'
import type { Field, Table } from '@/core/book'
import type { Value } from '@/core/kinds'
import { type FormText, readTyped } from '@/core/records'
import { wordProblem } from '@/core/words'
import { settleBox } from '@/ui/controls'
import { BoundControl } from '../../form/bound-control'
import { allArrived } from '../../form/arriving'
import { useRecords } from '../../records-context'

interface Props {
  /** Of the form, so that a button elsewhere can send it. */
  readonly id: string
  readonly table: Table
  readonly field: Field
  readonly start: { readonly text: string; readonly label: string }
  /** What was refused; what is typed anew takes it away. */
  readonly wrong: string
  readonly onTyped: () => void
  readonly onValue: (value: Value) => void
}

/** One field of a record with its own control, read by the same code as its form. */
export function ValueBox({ id, table, field, start, wrong, onTyped, onValue }: Props) {
  const { book } = useRecords()
  const form = useForm<FormText>({
    defaultValues: { text: { [field.id]: start.text }, labels: { [field.id]: start.label }, insets: {} },
  })
  const [unread, setUnread] = useState('')
  const problem = unread || wrong
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    event.stopPropagation()
    // What is still being looked for belongs to it.
    if (!(await settleBox(document.activeElement))) return
    await allArrived(form.control)
    const read = readTyped(book, table, field, form.getValues().text[field.id] ?? '', officeNow())
    if (!read.ok) return setUnread(wordProblem(read.problem))
    setUnread('')
    onValue(read.value)
  }
  return (
    <FormProvider {...form}>
      <form
        id={id}
        noValidate
        onSubmit={(event) => void submit(event)}
        onInput={() => {
          setUnread('')
          onTyped()
        }}
      >
        <BoundControl
          name={`text.${field.id}`}
          labelName={`labels.${field.id}`}
          id={`${id}-value`}
          field={field}
          invalid={problem !== ''}
          readOnly={false}
          spoken={field.name}
        />
        {problem && (
          <p id={`${id}-value-note`} role="alert" className="mt-1 text-[13px] text-ember">
            {problem}
          </p>
        )}
      </form>
    </FormProvider>
  )
}
