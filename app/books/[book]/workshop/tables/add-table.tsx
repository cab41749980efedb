'use client'

import { type FormEvent, useEffect, useRef, useState } from 'react'
import { Button, Labelled, TextBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'

interface Props {
  readonly role: 'word-list' | undefined
  readonly first: boolean
  /** Whether somebody asked for it, rather than finding it where there is no table yet. */
  readonly asked: boolean
  readonly onAdded: (table: string) => void
}

/** Names a new table, or a new word list. */
export function AddTable({ role, first, asked, onAdded }: Props) {
  const { edit } = useWorkshop()
  const [name, setName] = useState('')
  const box = useRef<HTMLInputElement>(null)
  useEffect(() => box.current?.focus(), [asked])
  const add = (event: FormEvent) => {
    event.preventDefault()
    const id = freshId()
    if (edit({ kind: 'addTable', id, name, keyField: freshId(), ...(role && { role }) })) onAdded(id)
  }
  return (
    <form onSubmit={add} className="max-w-[560px]">
      <h1 className="text-[22px] leading-tight">
        {role ? 'A new word list' : first ? 'The first table' : 'A new table'}
      </h1>
      <p className="mt-1 mb-5 text-ash-6">
        {role
          ? 'A list of words that staff choose from and may add to: fuels, ways of paying, kinds of visit.'
          : 'A table keeps one kind of thing, one record for each: a premises, a visit, a part. Name it in the singular.'}
      </p>
      <Labelled
        label="Name"
        htmlFor="table-name"
        hint={role ? undefined : 'It starts with a running number as its key. You can choose another key later.'}
      >
        <TextBox id="table-name" ref={box} value={name} onChange={(event) => setName(event.target.value)} />
      </Labelled>
      <Button type="submit" look="main" disabled={!name.trim()} className="mt-4">
        {role ? 'Add the word list' : 'Add the table'}
      </Button>
    </form>
  )
}
