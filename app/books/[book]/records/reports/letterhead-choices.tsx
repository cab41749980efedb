'use client'

import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import { Button, Labelled, PassageBox, TextBox } from '@/ui/kit'
import { useRecords } from '../records-context'
import { changeLetterhead } from './actions'

/** What stands on everything that the office prints; administrators alone change it. */
export function LetterheadChoices({ onLaid }: { readonly onLaid: () => void }) {
  const { book, id, role } = useRecords()
  const router = useRouter()
  const { letterhead = {} } = book
  const [name, setName] = useState(letterhead.name ?? '')
  const [lines, setLines] = useState(letterhead.lines ?? '')
  const [foot, setFoot] = useState(letterhead.foot ?? '')
  const [wrong, setWrong] = useState('')
  if (role !== 'administrator')
    return (
      <p className="text-[13px] text-ash-6">
        It is the same on everything that is printed, and is changed by an administrator.
      </p>
    )
  const send = async (event: FormEvent) => {
    event.preventDefault()
    const saved = await answered(
      changeLetterhead(id, { to: { name, lines, foot }, ...(book.letterhead && { before: book.letterhead }) }),
    )
    const isSame = !saved.ok && saved.problem.kind === 'nothing-to-change'
    setWrong(saved.ok || isSame ? '' : wordProblem(saved.problem))
    if (!saved.ok) return
    router.refresh()
    onLaid()
  }
  return (
    <form onSubmit={(event) => void send(event)} className="flex flex-col gap-2">
      <p className="text-[13px] text-ash-6">The same on everything that is printed.</p>
      <Labelled label="The office’s name" htmlFor="letterhead-name">
        <TextBox id="letterhead-name" value={name} onChange={(event) => setName(event.target.value)} />
      </Labelled>
      <Labelled label="Address, a line each" htmlFor="letterhead-lines">
        <PassageBox id="letterhead-lines" rows={4} value={lines} onChange={(event) => setLines(event.target.value)} />
      </Labelled>
      <Labelled label="At the foot of each page" htmlFor="letterhead-foot">
        <TextBox id="letterhead-foot" value={foot} onChange={(event) => setFoot(event.target.value)} />
      </Labelled>
      {wrong && (
        <p role="alert" className="text-[13px] text-ember">
          {wrong}
        </p>
      )}
      <Button type="submit" className="self-start">
        Use it
      </Button>
    </form>
  )
}
