'use client'

import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import { Button, Labelled, TextBox } from '@/ui/kit'
import { newBook } from '../account-actions'

/** Makes a new book by its name. */
export function NewBook({ first }: { readonly first: boolean }) {
  const router = useRouter()
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)

  async function submit(event: FormEvent) {
    event.preventDefault()
    setBusy(true)
    const made = await answered(newBook({ name }))
    if (made.ok) return router.push(`/books/${made.value}/workshop/needs`)
    setProblem(wordProblem(made.problem))
    setBusy(false)
  }

  return (
    <form onSubmit={(event) => void submit(event)} className="rounded-lg border border-dashed border-ash-4 p-4">
      <h2 className="text-base">{first ? 'Make your first record book' : 'Make a new record book'}</h2>
      <p className="mb-3 text-ash-6">Name it after the office or the work it is for. You can rename it later.</p>
      <div className="flex flex-wrap items-start gap-3">
        <Labelled label="Name of the book" htmlFor="book-name" problem={problem} className="min-w-[240px] flex-1">
          <TextBox
            id="book-name"
            autoFocus={first}
            value={name}
            invalid={problem !== undefined}
            onChange={(event) => setName(event.target.value)}
          />
        </Labelled>
        <Button type="submit" look="main" disabled={busy || !name.trim()} className="mt-[25px]">
          Make the book
        </Button>
      </div>
    </form>
  )
}
