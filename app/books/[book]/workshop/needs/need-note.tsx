'use client'

import Link from 'next/link'
import type { Need } from '@/core/book'
import { type Coverage, noPlaceFor, noRuleFor } from '@/core/needs'
import { listed } from '@/core/words'
import { freshId } from '@/ui/ids'
import { Note, WordButton } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'

interface Props {
  readonly need: Need
  readonly number: number
  readonly coverage: Coverage
}

/** Why the chosen need isn't met, or not wholly, and what can be done about it. */
export function NeedNote({ need, number, coverage }: Props) {
  const { id, edit } = useWorkshop()
  const none = () =>
    edit({ kind: 'dismiss', id: freshId(), what: noRuleFor(need.id), name: `the rule that need ${number} asks for` })
  const noPlace = (words: readonly string[]) =>
    edit({
      kind: 'together',
      say: `Say that ${listed(words.map((one) => `“${one}”`))} in need ${number} ${words.length === 1 ? 'needs' : 'need'} no place`.slice(
        0,
        300,
      ),
      edits: words.map((one) => ({
        kind: 'dismiss',
        id: freshId(),
        what: noPlaceFor(need.id, one),
        name: `“${one}” in need ${number}`.slice(0, 300),
      })),
    })
  return (
    <Note
      mark="look"
      head={`Need ${number} is ${coverage.state === 'part' ? 'met in part' : 'not met yet'}`}
      actions={
        coverage.unplaced ? (
          <WordButton onClick={() => noPlace(coverage.unplaced!)}>
            {coverage.unplaced.length === 1 ? 'It needs no place' : 'They need no place'}
          </WordButton>
        ) : (
          coverage.rule && (
            <>
              <Link
                href={`/books/${id}/workshop/rules`}
                className="inline-flex min-h-7 items-center px-1 font-semibold text-spruce underline underline-offset-2"
              >
                Go to Rules
              </Link>
              <WordButton onClick={none}>It needs no rule</WordButton>
            </>
          )
        )
      }
    >
      {coverage.why}
    </Note>
  )
}
