'use client'

import { useState } from 'react'
import { answered } from '@/app/answered'
import type { Form, FormLines } from '@/core/book'
import { findPart, neighbourOf, takeOut } from '@/core/forms'
import { WordButton } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useWide } from '@/ui/use-wide'
import { DropDialog } from '../drop-dialog'
import { useRecords } from '../records-context'
import { dropForm } from './actions'
import { ArrangeCanvas } from './arrange-canvas'
import { ArrangeHead } from './arrange-head'
import { ArrangeIndex } from './arrange-index'
import { Costs } from './costs'
import { focusPart } from './focus-part'
import { FormChoices } from './form-choices'
import { PartChoices } from './part-choices'
import { type FormWish, useFormDraft } from './use-form-draft'

/** A form while it is arranged, kept when it is right. */
export function ArrangeSheet({ tableId, kept, stored }: FormWish) {
  const { base } = useRecords()
  const draft = useFormDraft({ tableId, kept, stored })
  const { form, lines, before, change } = draft
  const [chosen, setChosen] = useState<string>()
  const [preview, setPreview] = useState<FormLines>()
  const [dropping, setDropping] = useState(false)
  const isWide = useWide()
  const part = chosen === undefined ? undefined : findPart(lines, chosen)?.part
  const leaveOut = (id: string) => {
    const next = neighbourOf(lines, id)
    change(takeOut(lines, id))
    setChosen(next)
    // Whoever works with the keys goes on from there.
    if (next) focusPart(next)
  }
  const shared = {
    tableId,
    lines,
    chosen,
    choose: setChosen,
    change,
    preview: setPreview,
    leaveOut,
    starts: form.starts,
  }
  const margin = part ? (
    <>
      <WordButton quiet onClick={() => setChosen(undefined)} className="self-start text-[13px]">
        The form as a whole
      </WordButton>
      <PartChoices part={part} {...shared} />
      <Costs form={{ ...form, lines }} />
    </>
  ) : (
    <FormChoices form={{ ...form, lines }} onChange={draft.put} />
  )
  return (
    <Room
      indexLabel="What is on the form"
      index={<ArrangeIndex {...shared} />}
      margin={isWide ? margin : undefined}
      marginLabel={part ? 'This part' : 'The form'}
    >
      <ArrangeHead draft={draft} tableId={tableId} stored={stored} onDrop={() => setDropping(true)} />
      {!isWide && <div className="mb-4 flex flex-col gap-2.5 rounded-lg border border-ash-3 p-3">{margin}</div>}
      <ArrangeCanvas {...shared} stored={stored} shown={preview ?? lines} />
      {dropping && before && <DropForm form={before} back={`${base}/${tableId}`} onClose={() => setDropping(false)} />}
    </Room>
  )
}

function DropForm({
  form,
  back,
  onClose,
}: {
  readonly form: Form
  readonly back: string
  readonly onClose: () => void
}) {
  const { id } = useRecords()
  return (
    <DropDialog
      title={`Remove the form ${form.name}?`}
      say="No record goes with it."
      onClose={onClose}
      onDrop={() => answered(dropForm(id, { form: form.id }))}
      back={back}
    />
  )
}
