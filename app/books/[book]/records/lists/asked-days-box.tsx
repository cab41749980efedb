'use client'

import { ChevronLeft, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { officeNow } from '@/app/office-now'
import { answeredDays, daysBeside, readDays, sayDays, spanAnswered } from '@/core/lists'
import { capital, wordProblem } from '@/core/words'
import { ChoiceBox, IconButton, TextBox } from '@/ui/kit'
import { useRecords } from '../records-context'

const stretches = [
  ...['this day', 'last day', 'this week', 'last week', 'this month', 'last month'],
  ...['this quarter', 'last quarter', 'this year', 'last year'],
]
const near: Readonly<Record<string, string>> = { 'this day': 'Today', 'last day': 'Yesterday', 'next day': 'Tomorrow' }
const others = 'others'

interface Props {
  readonly id: string
  readonly name: string
  readonly value: string
  readonly onChange: (value: string) => void
}

/** Days that are asked for: a stretch told from today, or a month, a year or days that are written; and those beside them. */
export function AskedDaysBox({ id, name, value, onChange }: Props) {
  const { book } = useRecords()
  const today = officeNow().moment.slice(0, 10)
  const say = (answer: string) => (answer ? sayDays(answer, today, book.look) : '')
  const [typed, setTyped] = useState<string>()
  const [wrong, setWrong] = useState('')
  const set = (answer: string) => {
    setTyped(undefined)
    setWrong('')
    onChange(answer)
  }
  const write = (words: string) => {
    setTyped(words)
    const read = words.trim() ? readDays(words, book.look, officeNow()) : undefined
    setWrong(!read || read.ok ? '' : wordProblem(read.problem))
    if (!read) onChange('')
    if (read?.ok) onChange(read.value)
  }
  const step = (by: 1 | -1) => set(daysBeside(value, by, today, book.look))
  const isSpan = spanAnswered(value) !== undefined
  const offered = isSpan && !stretches.includes(value) ? [...stretches, value] : stretches
  const mayStep = answeredDays(value, today, book.look) !== undefined
  return (
    <>
      <div className="flex flex-wrap items-center gap-1">
        <ChoiceBox
          aria-label={`${name}: when`}
          value={isSpan ? value : value ? others : ''}
          onChange={(event) => set(event.target.value === others ? value : event.target.value)}
          className="!w-[130px]"
        >
          <option value="">all</option>
          {offered.map((span) => (
            <option key={span} value={span}>
              {near[span] ?? capital(span)}
            </option>
          ))}
          {value && !isSpan && <option value={others}>these days</option>}
        </ChoiceBox>
        <IconButton label={`${name}: the days before`} disabled={!mayStep} onClick={() => step(-1)}>
          <ChevronLeft size={15} aria-hidden />
        </IconButton>
        <TextBox
          id={id}
          aria-label={name}
          placeholder="March 2027, 2027, a day …"
          value={typed ?? say(value)}
          aria-invalid={wrong !== ''}
          onChange={(event) => write(event.target.value)}
          onBlur={() => wrong === '' && setTyped(undefined)}
          className="!w-[210px]"
        />
        <IconButton label={`${name}: the days after`} disabled={!mayStep} onClick={() => step(1)}>
          <ChevronRight size={15} aria-hidden />
        </IconButton>
      </div>
      {wrong && <span className="text-[13px] text-ember">{wrong}</span>}
    </>
  )
}
