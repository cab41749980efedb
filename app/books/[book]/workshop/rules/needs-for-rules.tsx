'use client'

import type { Need } from '@/core/book'
import { counted } from '@/core/words'
import { Note, WordButton } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'

/** A need for which a rule is made, with its number. */
export interface AskedBy {
  readonly need: Need
  readonly number: number
}

/** The needs whose words lay down rules that nobody has made yet. */
export function NeedsForRules({ onMake }: { readonly onMake: (asked: AskedBy) => void }) {
  const { book, coverage } = useWorkshop()
  const wanted = book.needs.flatMap((need, at): AskedBy[] => (coverage?.[at]?.rule ? [{ need, number: at + 1 }] : []))
  if (wanted.length === 0) return null
  return (
    <Note mark="look" head={`${counted(wanted.length, 'need')} ${wanted.length === 1 ? 'lays' : 'lay'} down a rule`}>
      <ul className="mt-1 flex flex-col gap-2">
        {wanted.slice(0, 6).map((asked) => (
          <li key={asked.need.id}>
            <span className="line-clamp-3">
              {asked.number}. {asked.need.text}
            </span>
            <WordButton onClick={() => onMake(asked)} aria-label={`Add the rule of need ${asked.number}`}>
              Add the rule
            </WordButton>
          </li>
        ))}
        {wanted.length > 6 && <li>and {wanted.length - 6} more</li>}
      </ul>
    </Note>
  )
}
