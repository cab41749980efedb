'use client'

import { KeyRound, UserMinus } from 'lucide-react'
import { useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import type { Member } from '@/server/people'
import { Button, Dialog, IconButton, Labelled, TextBox } from '@/ui/kit'
import { givePassword, removePerson } from './actions'

interface Props {
  readonly id: string
  readonly member: Member
  readonly onRemoved: (members: readonly Member[]) => void
}

/** What an administrator may do for somebody else's account: a new password, or ending it. */
export function ManagePerson({ id, member, onRemoved }: Props) {
  const [doing, setDoing] = useState<'password' | 'remove'>()
  const [password, setPassword] = useState('')
  const [problem, setProblem] = useState<string>()
  const close = () => {
    setDoing(undefined)
    setPassword('')
    setProblem(undefined)
  }
  const give = async () => {
    const result = await answered(givePassword(id, { account: member.account, password }))
    if (!result.ok) return setProblem(wordProblem(result.problem))
    toast(`${member.name} signs in with the new password from now on.`)
    close()
  }
  const remove = async () => {
    const result = await answered(removePerson(id, { account: member.account }))
    if (!result.ok) return setProblem(wordProblem(result.problem))
    toast(`${member.name} can no longer sign in.`)
    close()
    onRemoved(result.value)
  }
  return (
    <span className="flex gap-1">
      <IconButton label={`Give ${member.name} a new password`} onClick={() => setDoing('password')}>
        <KeyRound size={16} aria-hidden />
      </IconButton>
      <IconButton label={`Remove ${member.name}`} onClick={() => setDoing('remove')}>
        <UserMinus size={16} aria-hidden />
      </IconButton>
      <Dialog
        open={doing === 'password'}
        onClose={close}
        title={`A new password for ${member.name}`}
        say="For somebody who has lost theirs. They are signed out everywhere."
        actions={
          <>
            <Button onClick={close}>Cancel</Button>
            <Button look="main" disabled={!password} onClick={() => void give()}>
              Give the password
            </Button>
          </>
        }
      >
        <Labelled
          label="New password"
          htmlFor="given-password"
          className="mt-3"
          hint="At least 10 characters. Tell it to them yourself; they can change it."
          problem={problem}
        >
          <TextBox
            id="given-password"
            value={password}
            invalid={problem !== undefined}
            onChange={(event) => setPassword(event.target.value)}
          />
        </Labelled>
      </Dialog>
      <Dialog
        open={doing === 'remove'}
        onClose={close}
        title={`Remove ${member.name}?`}
        say="They can no longer sign in, in any book. What they did stays in the history under their name. This can’t be undone."
        actions={
          <>
            <Button onClick={close}>Cancel</Button>
            <Button look="ember" disabled={problem !== undefined} onClick={() => void remove()}>
              Remove {member.name}
            </Button>
          </>
        }
      >
        {problem && (
          <p role="alert" className="mt-2 text-ember">
            {problem}
          </p>
        )}
      </Dialog>
    </span>
  )
}
