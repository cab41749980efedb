'use client'

import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { useState } from 'react'
import type { Field } from '@/core/book'
import type { Choice } from '@/core/kinds'
import { splitNeeds } from '@/core/needs'
import { IconButton, TextBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { InPlace } from './table-head'

interface Props {
  readonly field: Field
  readonly onChange: (choices: Choice[]) => boolean
}

/** The words of a pick: reworded in place, moved, taken out; several can be typed or pasted at once. */
export function ChoicesEditor({ field, onChange }: Props) {
  const [next, setNext] = useState('')
  const choices = [...(field.choices ?? [])]
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
      <legend className="mb-1 text-[13px] text-ash-6">Choices, in the order staff see them</legend>
      <ol className="flex flex-col gap-1">
        {choices.map((choice, at) => (
          <li key={choice.id} className="flex items-center gap-1 rounded-md border border-ash-3 bg-paper pl-1.5">
            <InPlace
              label={`Choice ${at + 1}`}
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
              label={`Take ${choice.word} out`}
              onClick={() => onChange(choices.filter((other) => other !== choice))}
            >
              <X size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
        <li>
          <TextBox
            aria-label="Next choice"
            placeholder="Next choice… (Enter; several with commas)"
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
