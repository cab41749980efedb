'use client'

import { useEffect, useRef, useState } from 'react'
import type { Table } from '@/core/book'
import { needsMetBy } from '@/core/needs'
import { pairState, pathsBetween, sayPath, type Tie } from '@/core/pairings'
import { listed } from '@/core/words'
import { Button, Tag, WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { Questions } from './questions'

interface Props {
  readonly a: Table
  readonly b: Table
  /** Whether one came to answer it: then its first question has the focus. */
  readonly asked: boolean
  readonly onNext: (() => void) | undefined
}

/** One pair: its links, the questions of the one at hand, and what comes of the answers. */
export function PairSheet({ a, b, asked, onNext }: Props) {
  const { book, edit } = useWorkshop()
  const state = pairState(book, a.id, b.id)
  const ties = state.kind === 'tied' ? state.ties : []
  const [chosen, setChosen] = useState<string | 'new'>()
  const tie = chosen === 'new' ? undefined : (ties.find((one) => one.id === chosen) ?? ties[0])
  const itself = a.id === b.id
  const sheet = useRef<HTMLElement>(null)
  const head = useRef<HTMLHeadingElement>(null)
  useEffect(() => {
    if (asked) sheet.current?.querySelector<HTMLElement>('[role=radio]')?.focus()
  }, [asked])
  // The questions of a link that was just made are others; who made it goes on from their head.
  const made = (id: string) => {
    setChosen(id)
    head.current?.focus()
  }
  const round = ties.length === 0 ? pathsBetween(book, a.id, b.id, { detour: 1, atMost: 3 }) : []
  const needs = ties.flatMap((one) => needsMetBy(book, one.id).map(({ number }) => String(number)))

  return (
    <section
      ref={sheet}
      aria-label={`${a.name} and ${b.name}`}
      className="mt-4 rounded-lg border border-ash-3 bg-ash-1 p-4"
    >
      <div className="mb-3 flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        <h2 ref={head} tabIndex={-1} className="flex flex-wrap items-center gap-2.5 text-base outline-none">
          {itself ? `${a.name} and itself` : `${a.name} and ${b.name}`}
          {needs.length > 0 && (
            <Tag>
              meets {needs.length === 1 ? 'need' : 'needs'} {listed([...new Set(needs)])}
            </Tag>
          )}
          {state.kind === 'none' && !itself && <Tag>no direct link</Tag>}
        </h2>
        <div className="flex flex-wrap items-center gap-x-3">
          {state.kind === 'ask' && (
            <WordButton onClick={() => (edit({ kind: 'sayNoTie', a: a.id, b: b.id, id: freshId() }), onNext?.())}>
              No direct link
            </WordButton>
          )}
          {state.kind === 'none' && !itself && (
            <WordButton onClick={() => edit({ kind: 'askAgain', a: a.id, b: b.id })}>Ask again</WordButton>
          )}
          {ties.length > 0 && chosen !== 'new' && (
            <WordButton onClick={() => setChosen('new')}>Add another link</WordButton>
          )}
          {onNext && (
            <Button small onClick={onNext}>
              Next pair
            </Button>
          )}
        </div>
      </div>
      {round.length > 0 && (
        <div className="mb-3 rounded-md border border-ash-3 bg-paper px-3 py-2 text-[13px]">
          <p>
            <b>They are linked already: </b>
            {sayPath(book, round[0]!)}
            {round.length > 1 && `, and in ${round.length - 1} other ${round.length === 2 ? 'way' : 'ways'}`}.
          </p>
          <p className="text-ash-6">
            A direct link would keep the same value twice, unless it means something else. Then give it a name that says
            what.
          </p>
        </div>
      )}
      {(ties.length > 1 || (chosen === 'new' && ties.length > 0)) && (
        <TieTabs ties={ties} here={chosen === 'new' ? 'new' : tie?.id} onChoose={setChosen} />
      )}
      <Questions key={tie?.id ?? 'new'} a={a} b={b} tie={tie} second={ties.length > 0 && !tie} onMade={made} />
    </section>
  )
}

/** Where two tables are linked more than once: home address, billing address. */
function TieTabs({
  ties,
  here,
  onChoose,
}: {
  readonly ties: readonly Tie[]
  readonly here: string | undefined
  readonly onChoose: (id: string) => void
}) {
  return (
    <div role="group" aria-label="Links" className="mb-3 flex flex-wrap gap-1.5">
      {ties.map((tie) => (
        <Button
          key={tie.id}
          small
          look={tie.id === here ? 'main' : 'plain'}
          aria-pressed={tie.id === here}
          onClick={() => onChoose(tie.id)}
        >
          {tie.name}
        </Button>
      ))}
      {here === 'new' && (
        <Button small look="main" aria-pressed>
          Another link
        </Button>
      )}
    </div>
  )
}
