'use client'

import Link from 'next/link'
import { type FormEvent, useState } from 'react'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import { Button, Labelled, Note, TextBox } from '@/ui/kit'
import { ownPassword } from '../account-actions'

/** The password one has, and the one that is to take its place. */
export function OwnPassword({ name }: { readonly name: string }) {
  const [current, setCurrent] = useState('')
  const [wished, setWished] = useState('')
  const [problem, setProblem] = useState<{ at: 'current' | 'wished'; words: string }>()
  const [state, setState] = useState<'typing' | 'busy' | 'done'>('typing')

  async function submit(event: FormEvent) {
    event.preventDefault()
    setState('busy')
    setProblem(undefined)
    const result = await answered(ownPassword({ current, wished }))
    setState(result.ok ? 'done' : 'typing')
    if (result.ok) return
    const at = ['wrong-password', 'wait'].includes(result.problem.kind) ? 'current' : 'wished'
    setProblem({ at, words: wordProblem(result.problem) })
    document.getElementById(at)?.focus()
  }

  if (state === 'done')
    return (
      <div role="status">
        <Note
          mark="fine"
          head="Your password is changed"
          actions={
            <Link href="/books" className="font-semibold text-spruce underline underline-offset-2">
              Go to the books
            </Link>
          }
        >
          Use it from now on.
        </Note>
      </div>
    )
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <input type="text" name="username" autoComplete="username" value={name} readOnly hidden />
      <Labelled
        label="Password you have now"
        htmlFor="current"
        problem={problem?.at === 'current' ? problem.words : undefined}
      >
        <TextBox
          id="current"
          type="password"
          autoComplete="current-password"
          autoFocus
          value={current}
          invalid={problem?.at === 'current'}
          onChange={(event) => setCurrent(event.target.value)}
        />
      </Labelled>
      <Labelled
        label="New password"
        htmlFor="wished"
        hint="At least 10 characters. A short sentence is easy to remember."
        problem={problem?.at === 'wished' ? problem.words : undefined}
      >
        <TextBox
          id="wished"
          type="password"
          autoComplete="new-password"
          value={wished}
          invalid={problem?.at === 'wished'}
          onChange={(event) => setWished(event.target.value)}
        />
      </Labelled>
      <div className="flex items-center justify-between gap-3">
        <Link href="/books" className="font-semibold text-spruce underline underline-offset-2">
          Cancel
        </Link>
        <Button type="submit" look="main" disabled={state === 'busy' || !current || !wished}>
          {state === 'busy' ? 'One moment …' : 'Change the password'}
        </Button>
      </div>
    </form>
  )
}
