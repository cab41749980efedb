'use client'

import { useState } from 'react'
import { officeNow } from '@/app/office-now'
import { type Ask, fieldWith, findField, type List } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { kindOf, showValue } from '@/core/kinds'
import { wordProblem } from '@/core/words'
import { ChoiceBox, TextBox } from '@/ui/kit'
import { useRecords } from '../records-context'

interface Props {
  readonly list: List
  readonly given: Readonly<Record<string, string>>
  readonly onChange: (given: Readonly<Record<string, string>>) => void
}

/** What the list asks each time it is run; nothing written means all of them. */
export function AskedBar({ list, given, onChange }: Props) {
  const { book } = useRecords()
  const asks = list.asks.filter(({ place }) => findField(book, place.field))
  if (asks.length === 0) return null
  return (
    <div className="flex flex-wrap items-end gap-3 pt-2">
      {asks.map((ask) => (
        <AskBox
          key={ask.id}
          ask={ask}
          value={given[ask.id] ?? ask.start ?? ''}
          onChange={(value) => onChange({ ...given, [ask.id]: value })}
        />
      ))}
      <span className="pb-2 text-[13px] text-ash-6">asked each time it is run; left empty, all of them</span>
    </div>
  )
}

function AskBox({
  ask,
  value,
  onChange,
}: {
  readonly ask: Ask
  readonly value: string
  readonly onChange: (value: string) => void
}) {
  const { book } = useRecords()
  const face = displayOf(book, fieldWith(book, ask.place.field).field)
  const [typed, setTyped] = useState(() => (value ? showValue(value, face, book.look) : ''))
  const [wrong, setWrong] = useState('')
  const set = (words: string) => {
    setTyped(words)
    if (!words.trim()) {
      setWrong('')
      return onChange('')
    }
    const read = kindOf(face.kind).read(words, { ...face, least: undefined, most: undefined }, book.look, officeNow())
    setWrong(read.ok ? '' : wordProblem(read.problem))
    if (read.ok) onChange(read.value)
  }
  const words = face.kind === 'tick' ? ['yes', 'no'] : face.choices?.map(({ word }) => word)
  const id = `ask-${ask.id}`
  // Told apart from the tick of the field by the same name.
  const named = `${ask.words}, asked for`
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-[13px] font-semibold">
        {ask.words}
      </label>
      {words && words.length > 0 ? (
        <ChoiceBox
          id={id}
          aria-label={named}
          value={typed}
          onChange={(event) => set(event.target.value)}
          className="!w-[180px]"
        >
          <option value="">all</option>
          {words.map((word) => (
            <option key={word}>{word}</option>
          ))}
        </ChoiceBox>
      ) : (
        <TextBox
          id={id}
          aria-label={named}
          value={typed}
          aria-invalid={wrong !== ''}
          onChange={(event) => set(event.target.value)}
          className="!w-[180px]"
        />
      )}
      {wrong && <span className="text-[13px] text-ember">{wrong}</span>}
    </div>
  )
}
