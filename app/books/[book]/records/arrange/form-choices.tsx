'use client'

import Link from 'next/link'
import { type Form, formRoles, limits, tableOf } from '@/core/book'
import { startFaults } from '@/core/forms'
import { isTyped } from '@/core/kinds'
import { inSentence, wordProblem } from '@/core/words'
import { officeNow } from '@/app/office-now'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'
import { useRecords } from '../records-context'
import { Costs } from './costs'

interface Props {
  readonly form: Form
  readonly onChange: (to: Partial<Form>) => void
}

/** What a form is called, whom it is for, what a new record starts with on it, and what it costs to leave out what it does. */
export function FormChoices({ form, onChange }: Props) {
  const { base } = useRecords()
  const forWhom = form.for ?? formRoles
  const tick = (role: (typeof formRoles)[number], ticked: boolean) => {
    const now = formRoles.filter((one) => (one === role ? ticked : forWhom.includes(one)))
    onChange({ for: now.length === formRoles.length ? undefined : now })
  }
  return (
    <div className="flex flex-col gap-3 text-[13px]">
      <p className="text-ash-6">
        Press a part of the form to choose it. Drag it, or move it with the arrow keys; with Shift they make it wider or
        narrower.
      </p>
      <Labelled label="Name" htmlFor="form-name">
        <TextBox
          id="form-name"
          value={form.name}
          maxLength={limits.nameLength}
          onChange={(event) => onChange({ name: event.target.value })}
        />
      </Labelled>
      <fieldset className="flex flex-col items-start">
        <legend className="pb-1 text-ash-6">For</legend>
        {formRoles.map((role) => (
          <TickBox
            key={role}
            id={`form-for-${role}`}
            checked={forWhom.includes(role)}
            disabled={forWhom.length === 1 && forWhom.includes(role)}
            label={roleWords[role]}
            onChange={(ticked) => tick(role, ticked)}
          />
        ))}
      </fieldset>
      <Starts form={form} onChange={onChange} />
      <Costs all form={form} />
      <Link href={`${base}/look`} className="self-start text-spruce underline underline-offset-2">
        How all forms look
      </Link>
    </div>
  )
}

const roleWords = { administrator: 'administrators', staff: 'staff', reader: 'readers' } as const

/** What a new record starts with on this form, over what its table says. */
function Starts({ form, onChange }: Props) {
  const { book } = useRecords()
  const table = tableOf(book, form.table)
  const starts = form.starts ?? {}
  const faults = startFaults(book, form, officeNow())
  const mayStart = table.fields.filter((field) => isTyped(field) && field.kind !== 'link' && field.kind !== 'file')
  const put = (id: string, value: string | undefined) => {
    const { [id]: _was, ...rest } = starts
    const now = value === undefined ? rest : { ...rest, [id]: value }
    onChange({ starts: Object.keys(now).length > 0 ? now : undefined })
  }
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="pb-1 text-ash-6">A new {inSentence(table.name)} starts with</legend>
      {mayStart
        .filter(({ id }) => id in starts)
        .map((field) => {
          const problem = faults.find((fault) => fault.field.id === field.id)?.problem
          return (
            <Labelled
              key={field.id}
              label={field.name}
              htmlFor={`form-start-${field.id}`}
              problem={problem && wordProblem(problem)}
            >
              <TextBox
                id={`form-start-${field.id}`}
                value={starts[field.id] ?? ''}
                maxLength={limits.givenLength}
                onChange={(event) => put(field.id, event.target.value)}
                onBlur={(event) => event.target.value.trim() || put(field.id, undefined)}
              />
            </Labelled>
          )
        })}
      <ChoiceBox
        aria-label="Another value to start with"
        value=""
        onChange={(event) => event.target.value && put(event.target.value, '')}
      >
        <option value="">
          {Object.keys(starts).length > 0 ? 'Another value …' : 'What its table says; choose a field …'}
        </option>
        {mayStart
          .filter(({ id }) => !(id in starts))
          .map((field) => (
            <option key={field.id} value={field.id}>
              {field.name}
            </option>
          ))}
      </ChoiceBox>
    </fieldset>
  )
}
