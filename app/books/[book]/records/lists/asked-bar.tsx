'use client'

import { useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { officeNow } from '@/app/office-now'
import { type Ask, type Comparison, fieldWith, findField, type List } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { kindOf, showValue } from '@/core/kinds'
import { asksDays, howAsked, takesLetters } from '@/core/lists'
import { wordProblem } from '@/core/words'
import { ChoiceBox, TextBox } from '@/ui/kit'
import { useRecords } from '../records-context'
import { AskedDaysBox } from './asked-days-box'
import { RecordBox } from './record-box'

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
      {asks.map((ask) => {
        const { field } = fieldWith(book, ask.place.field)
        const how = howAsked(list, ask.id)
        const isDays = asksDays(displayOf(book, field), how)
        const Box = field.kind === 'link' ? AskRecord : isDays ? AskDays : AskBox
        return (
          <Box
            key={ask.id}
            ask={ask}
            how={how}
            value={given[ask.id] ?? ask.start ?? ''}
            onChange={(value) => onChange({ ...given, [ask.id]: value })}
          />
        )
      })}
      <span className="pb-2 text-[13px] text-ash-6">asked each time it is run; left empty, all of them</span>
    </div>
  )
}

interface BoxProps {
  readonly ask: Ask
  /** How what is answered is compared. */
  readonly how: Comparison
  readonly value: string
  readonly onChange: (value: string) => void
}

/** Asks for a record, by what it is known by. Who comes from a record's own page finds it there. */
function AskRecord({ ask, value, onChange }: BoxProps) {
  const { book } = useRecords()
  const query = useSearchParams()
  const { field } = fieldWith(book, ask.place.field)
  const [called, setCalled] = useState(query.get('ref') === value ? (query.get('label') ?? value) : value)
  return (
    <div className="w-[280px]">
      <RecordBox
        id={`ask-${ask.id}`}
        label={ask.words}
        name={`${ask.words}, asked for`}
        field={field}
        value={value}
        called={called}
        onChange={(ref, words) => {
          setCalled(words)
          onChange(ref)
        }}
      />
    </div>
  )
}

function AskDays({ ask, value, onChange }: BoxProps) {
  const id = `ask-${ask.id}`
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-[13px] font-semibold">
        {ask.words}
      </label>
      <AskedDaysBox id={id} name={`${ask.words}, asked for`} value={value} onChange={onChange} />
    </div>
  )
}

function AskBox({ ask, how, value, onChange }: BoxProps) {
  const { book } = useRecords()
  const face = displayOf(book, fieldWith(book, ask.place.field).field)
  const asLetters = takesLetters(how)
  const [typed, setTyped] = useState(() => (value && !asLetters ? showValue(value, face, book.look) : value))
  const [wrong, setWrong] = useState('')
  const set = (words: string) => {
    setTyped(words)
    if (!words.trim()) {
      setWrong('')
      return onChange('')
    }
    if (asLetters) return onChange(words)
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
      {words && words.length > 0 && !asLetters ? (
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
