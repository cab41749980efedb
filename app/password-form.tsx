'use client'

import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import { told } from '@/app/answered'
import { wordProblem } from '@/core/words'
import { Button, Labelled, TextBox } from '@/ui/kit'
import { signIn, startUp } from './account-actions'

const words = {
  'sign-in': { button: 'Sign in', hint: undefined, complete: 'current-password' },
  start: {
    button: 'Begin',
    hint: 'At least 10 characters. A short sentence is easy to remember.',
    complete: 'new-password',
  },
}

/** Name and password, for signing in and for the very first start. */
export function PasswordForm({ kind }: { readonly kind: 'sign-in' | 'start' }) {
  const router = useRouter()
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const { button, hint, complete } = words[kind]

  async function submit(event: FormEvent) {
    event.preventDefault()
    setBusy(true)
    const result = await told((kind === 'start' ? startUp : signIn)({ name, password }))
    if (result.ok) return router.replace('/books')
    setProblem(wordProblem(result.problem))
    setBusy(false)
  }

  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <Labelled label="Your name" htmlFor="name">
        <TextBox
          id="name"
          name="name"
          autoComplete="username"
          autoFocus
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </Labelled>
      <Labelled label="Password" htmlFor="password" hint={hint} problem={problem}>
        <TextBox
          id="password"
          type="password"
          name="password"
          autoComplete={complete}
          value={password}
          invalid={problem !== undefined}
          aria-describedby={problem || hint ? 'password-note' : undefined}
          onChange={(event) => setPassword(event.target.value)}
        />
      </Labelled>
      <Button type="submit" look="main" disabled={busy || !name || !password}>
        {busy ? 'One moment …' : button}
      </Button>
    </form>
  )
}
