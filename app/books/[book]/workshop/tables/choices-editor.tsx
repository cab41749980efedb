'use client'

import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { type Edit, type Field, freeName, isPlainList, linksTo, partName, type Table } from '@/core/book'
import type { Choice } from '@/core/kinds'
import { splitNeeds } from '@/core/needs'
import { lostWith } from '@/core/rules'
import { capital, listed } from '@/core/words'
import { IconButton, TextBox, WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { LostDialog } from './lost-note'
import { InPlace } from './table-head'

/** The words of a choice field, and the way to make them a list that staff may extend. */
export function FieldChoices({
  field,
  onChange,
}: {
  readonly field: Field
  readonly onChange: (choices: Choice[]) => boolean
}) {
  const { book, edit } = useWorkshop()
  const [wish, setWish] = useState<Edit>()
  const lost = wish ? lostWith(book, wish) : []
  const toList = () => {
    const name = freeName(field.name, book.tables)
    const ids = { id: freshId(), keyField: freshId(), link: freshId() }
    const made: Edit = { kind: 'choicesToList', field: field.id, name, ...ids }
    if (lostWith(book, made).length > 0) setWish(made)
    else edit(made)
  }
  return (
    <div>
      <ChoicesEditor
        noun="choice"
        title="Choices, in the order staff see them"
        choices={field.choices ?? []}
        onChange={onChange}
      />
      <p className="mt-1 text-[13px] text-ash-6">
        Only you can change these words. <WordButton onClick={toList}>Make them a word list</WordButton> and staff may
        add to them.
      </p>
      {wish && (
        <LostDialog
          title={`Make a list of the words of ${field.name}?`}
          act="Make the list"
          lost={lost}
          onClose={() => setWish(undefined)}
          onGo={() => edit(wish)}
        />
      )}
    </div>
  )
}

interface ListProps {
  readonly table: Table
  /** Whether one came to write words down. */
  readonly asked: boolean
  readonly onShow: (table: string) => void
}

/** The words that a list begins with, and the way to make them choices that nobody adds to. */
export function ListWords({ table, asked, onShow }: ListProps) {
  const { book, edit } = useWorkshop()
  const [link] = linksTo(book, table.id)
  const [asking, setAsking] = useState(false)
  const wish: Edit = { kind: 'listToChoices', table: table.id }
  const lost = asking ? lostWith(book, wish) : []
  const go = () => {
    if (link && edit(wish)) onShow(link.many)
  }
  const toChoices = () => (lostWith(book, wish).length > 0 ? setAsking(true) : go())
  return (
    <div className="mt-5 max-w-[560px]">
      <ChoicesEditor
        noun="word"
        asked={asked}
        title="Words it starts with; staff may add others"
        choices={table.words ?? []}
        onChange={(words) => edit({ kind: 'changeWords', table: table.id, words })}
      />
      {link && isPlainList(book, table) && (
        <p className="mt-1 text-[13px] text-ash-6">
          Should nobody add to them? <WordButton onClick={toChoices}>Make them fixed choices</WordButton> of{' '}
          {listed(linksTo(book, table.id).map((link) => partName(book, link.field)))}.
        </p>
      )}
      {asking && (
        <LostDialog
          title={`Make the words of ${table.name} fixed choices?`}
          act="Make them fixed choices"
          lost={lost}
          onClose={() => setAsking(false)}
          onGo={go}
        />
      )}
    </div>
  )
}

interface Props {
  readonly title: string
  readonly noun: 'choice' | 'word'
  readonly asked?: boolean
  readonly choices: readonly Choice[]
  readonly onChange: (choices: Choice[]) => boolean
}

/** Words in order: reworded in place, moved, taken out; several can be typed or pasted at once. */
function ChoicesEditor({ title, noun, asked = false, choices, onChange }: Props) {
  const box = useRef<HTMLInputElement>(null)
  useEffect(() => {
    if (asked) box.current?.focus()
  }, [asked])
  const [next, setNext] = useState('')
  const add = (typed: string) => {
    const words = splitNeeds(typed.replaceAll(',', '\n'))
    if (words.length > 0 && onChange([...choices, ...words.map((word) => ({ id: freshId(), word }))])) setNext('')
  }
  const swap = (at: number, by: number) => {
    const moved = [...choices]
    const [choice] = moved.splice(at, 1)
    moved.splice(at + by, 0, choice!)
    onChange(moved)
  }
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] text-ash-6">{title}</legend>
      <ol className="flex flex-col gap-1">
        {choices.map((choice, at) => (
          <li key={choice.id} className="flex items-center gap-1 rounded-md border border-ash-3 bg-paper pl-1.5">
            <InPlace
              label={`${capital(noun)} ${at + 1}`}
              text={choice.word}
              className="min-w-0 flex-1"
              onKeep={(word) =>
                onChange(choices.map((other) => (other === choice ? { ...choice, word: word.trim() } : other)))
              }
            />
            <IconButton label={`Move ${choice.word} up`} disabled={at === 0} onClick={() => swap(at, -1)}>
              <ArrowUp size={14} aria-hidden />
            </IconButton>
            <IconButton
              label={`Move ${choice.word} down`}
              disabled={at === choices.length - 1}
              onClick={() => swap(at, 1)}
            >
              <ArrowDown size={14} aria-hidden />
            </IconButton>
            <IconButton
              label={`Remove ${choice.word}`}
              onClick={() => onChange(choices.filter((other) => other !== choice))}
            >
              <X size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
        <li>
          <TextBox
            ref={box}
            aria-label={`Next ${noun}`}
            placeholder={`Next ${noun}… (Enter; several with commas)`}
            value={next}
            onChange={(event) => setNext(event.target.value)}
            onBlur={() => add(next)}
            onKeyDown={(event) => event.key === 'Enter' && add(next)}
          />
        </li>
      </ol>
    </fieldset>
  )
}
