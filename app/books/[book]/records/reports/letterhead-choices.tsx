'use client'

import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import { answered } from '@/app/answered'
import type { Picture } from '@/core/book'
import { type Result, wordProblem } from '@/core/words'
import { Button, Labelled, PassageBox, TextBox, WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import { changeLetterhead } from './actions'

/** A picture may have so many megabytes. */
const mostMegabytes = 10

/** What stands on everything that the office prints; administrators alone change it. */
export function LetterheadChoices({ onLaid }: { readonly onLaid: () => void }) {
  const { book, id, role } = useRecords()
  const router = useRouter()
  const { letterhead = {} } = book
  const [name, setName] = useState(letterhead.name ?? '')
  const [lines, setLines] = useState(letterhead.lines ?? '')
  const [foot, setFoot] = useState(letterhead.foot ?? '')
  const [logo, setLogo] = useState(letterhead.logo)
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
      changeLetterhead(id, {
        to: { name, lines, foot, ...(logo && { logo }) },
        ...(book.letterhead && { before: book.letterhead }),
      }),
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
      <LogoBox logo={logo} onChange={setLogo} onWrong={setWrong} />
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

interface LogoProps {
  readonly logo: Picture | undefined
  readonly onChange: (logo: Picture | undefined) => void
  readonly onWrong: (words: string) => void
}

/** The office's logo: a picture that is taken from this computer. */
function LogoBox({ logo, onChange, onWrong }: LogoProps) {
  const { base } = useRecords()
  const [busy, setBusy] = useState(false)
  const take = async (file: File | undefined) => {
    if (!file) return
    if (file.size > mostMegabytes * 1024 * 1024)
      return onWrong(wordProblem({ kind: 'file-too-big', megabytes: mostMegabytes }))
    setBusy(true)
    const form = new FormData()
    form.set('file', file)
    const kept = await fetch(`${base}/pictures`, { method: 'POST', body: form })
      .then((answer) => answer.json() as Promise<Result<Picture>>)
      .catch(() => undefined)
    setBusy(false)
    if (!kept) return onWrong('The picture could not be sent. Try again in a moment.')
    onWrong(kept.ok ? '' : wordProblem(kept.problem))
    if (kept.ok) onChange(kept.value)
  }
  return (
    <div className="flex flex-col gap-1.5">
      <Labelled label="Logo" htmlFor="letterhead-logo">
        <input
          id="letterhead-logo"
          type="file"
          accept="image/png,image/jpeg,image/webp,image/gif,image/svg+xml"
          disabled={busy}
          onChange={(event) => void take(event.target.files?.[0])}
          className="w-full text-[13px]"
        />
      </Labelled>
      {busy && <p className="text-[13px] text-ash-6">The picture is on its way …</p>}
      {logo && (
        <div className="flex items-center gap-3">
          {/* eslint-disable-next-line @next/next/no-img-element -- it is the office's own, and small */}
          <img
            src={`${base}/pictures/${logo.hash}`}
            alt="The logo"
            className="max-h-12 max-w-[160px] rounded-sm border border-ash-3"
          />
          <WordButton onClick={() => onChange(undefined)}>Without it</WordButton>
        </div>
      )}
    </div>
  )
}
