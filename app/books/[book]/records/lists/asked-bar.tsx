'use client'

import { useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { officeNow } from '@/app/office-now'
import { type Ask, fieldWith, findField, linkOf, type List, tableOf } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { kindOf, showValue } from '@/core/kinds'
import { inSentence, wordProblem } from '@/core/words'
import { FieldControl } from '@/ui/controls'
import { ChoiceBox, TextBox } from '@/ui/kit'
import { sayMissed, searchLinked } from '../form/search-linked'
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
      {asks.map((ask) => {
        const Box = fieldWith(book, ask.place.field).field.kind === 'link' ? AskRecord : AskBox
        return (
          <Box
            key={ask.id}
            ask={ask}
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
  readonly value: string
  readonly onChange: (value: string) => void
}

/** Asks for a record, by what it is known by. Who comes from a record's own page finds it there. */
function AskRecord({ ask, value, onChange }: BoxProps) {
  const { id: bookId, book, base } = useRecords()
  const query = useSearchParams()
  const { field } = fieldWith(book, ask.place.field)
  const target = tableOf(book, linkOf(book, field.id).one)
  const [label, setLabel] = useState(query.get('ref') === value ? (query.get('label') ?? value) : value)
  const id = `ask-${ask.id}`
  return (
    <div className="flex w-[280px] flex-col gap-1">
      <label htmlFor={id} className="text-[13px] font-semibold">
        {ask.words}
      </label>
      <FieldControl
        id={id}
        field={field}
        look={book.look}
        text={value}
        onText={onChange}
        name={`${ask.words}, asked for`}
        link={{
          label: value ? label : '',
          noun: inSentence(target.name),
          search: (words) => searchLinked(base, bookId, target, words),
          onPick: (option) => {
            setLabel(option?.label ?? '')
            onChange(option?.ref ?? '')
          },
          onMiss: sayMissed(target),
        }}
      />
    </div>
  )
}

function AskBox({ ask, value, onChange }: BoxProps) {
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
