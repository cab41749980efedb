'use client'

import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import { answered } from '@/app/answered'
import { contrastOnPaper, darkEnough, leastContrast, type Picture } from '@/core/book'
import { wordProblem } from '@/core/words'
import { Button, Labelled, PassageBox, TextBox, WordButton } from '@/ui/kit'
import { ColourBox } from '../paper/colour-box'
import { pictureTypes, takePicture } from '../pictures/take-picture'
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
  const [logo, setLogo] = useState(letterhead.logo)
  const [colours, setColours] = useState(letterhead.colours ?? {})
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
        to: { name, lines, foot, ...(logo && { logo }), colours },
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
      {(['words', 'lines'] as const).map((what) => (
        <ColourBox
          key={what}
          id={`letterhead-colour-${what}`}
          {...colourWords[what]}
          value={colours[what]}
          onChange={(colour) => setColours({ ...colours, [what]: colour })}
          fault={paleness(what, colours[what], (colour) => setColours({ ...colours, [what]: colour }))}
        />
      ))}
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

/** As they are printed where nothing is said. */
const colourWords = {
  words: { label: 'Colour of headings', usual: '#1d2422' },
  lines: { label: 'Colour of lines', usual: '#465049' },
} as const

const paleness = (what: 'words' | 'lines', colour: string | undefined, onMend: (colour: string) => void) =>
  colour !== undefined && contrastOnPaper(colour) < leastContrast[what]
    ? {
        words: 'Too pale on white paper, in grey above all.',
        mend: 'Make it dark enough',
        onMend: () => onMend(darkEnough(colour, leastContrast[what])),
      }
    : undefined

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
    setBusy(true)
    const taken = await takePicture(base, file)
    setBusy(false)
    onWrong(typeof taken === 'string' ? taken : '')
    if (typeof taken !== 'string') onChange(taken)
  }
  return (
    <div className="flex flex-col gap-1.5">
      <Labelled label="Logo" htmlFor="letterhead-logo">
        <input
          id="letterhead-logo"
          type="file"
          accept={pictureTypes}
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
