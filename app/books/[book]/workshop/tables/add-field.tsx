'use client'

import { type FormEvent, useEffect, useRef, useState } from 'react'
import type { Table } from '@/core/book'
import { kindNames, type KindName, kindOf } from '@/core/kinds'
import { Button, ChoiceBox, TextBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'

/** Kinds a field can be given by hand; a link comes from a pairing. */
export const givenKinds = kindNames.filter((kind) => kind !== 'link')

/** The line at the end of a table: name, Tab, kind by typing, Enter, next. */
export function AddField({ table, asked }: { readonly table: Table; readonly asked: boolean }) {
  const { edit } = useWorkshop()
  const [name, setName] = useState('')
  const [holds, setHolds] = useState<KindName>('line')
  const box = useRef<HTMLInputElement>(null)
  useEffect(() => {
    if (asked) box.current?.focus()
  }, [asked])

  const add = (event: FormEvent) => {
    event.preventDefault()
    if (!name.trim()) return box.current?.focus()
    if (!edit({ kind: 'addField', table: table.id, id: freshId(), name, holds })) return box.current?.select()
    setName('')
    setHolds('line')
    box.current?.focus()
  }
  return (
    <form
      onSubmit={add}
      aria-label="Add a field"
      className="mt-3 grid grid-cols-[28px_minmax(110px,1fr)_minmax(150px,2fr)_minmax(140px,200px)] items-center gap-x-3"
    >
      <span />
      <TextBox
        ref={box}
        id="add-field-name"
        aria-label="Name of the next field"
        placeholder="Next field…"
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <ChoiceBox
        aria-label="Kind of the next field"
        value={holds}
        onChange={(event) => setHolds(event.target.value as KindName)}
        // A select swallows Enter; here it adds the field, as it does in the box before it.
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.form?.requestSubmit()}
      >
        {givenKinds.map((kind) => (
          <option key={kind} value={kind}>
            {kindOf(kind).title} — {kindOf(kind).holds}
          </option>
        ))}
      </ChoiceBox>
      <Button type="submit" look="main">
        Add a field
      </Button>
    </form>
  )
}
