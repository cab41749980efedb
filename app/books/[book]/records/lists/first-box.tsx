'use client'

import { limits } from '@/core/book'
import { Labelled, TextBox } from '@/ui/kit'

/** How many of the first are asked for; none where nothing is written. */
export function readFirst(typed: string): number | undefined | 'wrong' {
  const text = typed.trim()
  if (text === '') return undefined
  const number = /^\d{1,4}$/.test(text) ? Number(text) : 0
  return number >= 1 && number <= limits.first ? number : 'wrong'
}

interface Props {
  readonly id: string
  readonly label: string
  readonly typed: string
  readonly onType: (typed: string) => void
}

export function FirstBox({ id, label, typed, onType }: Props) {
  const isWrong = readFirst(typed) === 'wrong'
  return (
    <div className="mt-4 w-[260px]">
      <Labelled
        label={`${label} (empty: all)`}
        htmlFor={id}
        problem={isWrong ? `Write a whole number from 1 to ${limits.first}, or nothing.` : undefined}
      >
        <TextBox
          id={id}
          inputMode="numeric"
          value={typed}
          aria-invalid={isWrong || undefined}
          onChange={(event) => onType(event.target.value)}
        />
      </Labelled>
    </div>
  )
}
