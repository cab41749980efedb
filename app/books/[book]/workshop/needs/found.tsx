'use client'

import { useState } from 'react'
import type { Edit } from '@/core/book'
import { acceptEdits, keptOtherwise, type Proposal, type Proposals, sameWord, withWhatTheyNeed } from '@/core/needs'
import { counted } from '@/core/words'
import { classNames, Empty, WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { ChangeProposal } from './change-proposal'
import { OpenQuestions } from './open-questions'

interface Props {
  readonly proposals: Proposals
  /** The need whose words these are, counted from nought; all needs where left out. */
  readonly need?: number
}

/** What the words give: the proposals on the cards they belong to, each to be accepted, changed or dismissed. */
export function Found({ proposals, need }: Props) {
  const { book, edit } = useWorkshop()
  const [changing, setChanging] = useState<Proposal>()
  const [showDismissed, setShowDismissed] = useState(false)
  const mine = need === undefined ? proposals.all : proposals.all.filter((one) => one.needs.includes(need))
  const open = mine.filter((one) => one.state === 'new')
  const dismissed = mine.filter((one) => one.state === 'dismissed')
  const questions = proposals.reading.questions.filter(
    (one) => need === undefined || one.evidence.some((at) => at.need === need),
  )
  const whose = need === undefined ? 'everything' : `all of need ${need + 1}`

  const accept = (chosen: readonly Proposal[], also: readonly Edit[] = []) => {
    const needed = withWhatTheyNeed(proposals.all, chosen).map(
      (one) => chosen.find((other) => other.id === one.id) ?? one,
    )
    const edits = [...acceptEdits(book, needed, freshId), ...also]
    const say =
      chosen.length === 1
        ? `Accept ${chosen[0]!.table}: ${chosen[0]!.words}`
        : `Accept ${counted(chosen.length, 'proposal')}${need === undefined ? '' : ` of need ${need + 1}`}`
    if (edits.length > 0) edit({ kind: 'together', say: say.slice(0, 300), edits })
  }
  const dismiss = (one: Proposal) =>
    edit({ kind: 'dismiss', id: freshId(), what: one.id, name: `“${one.table}: ${one.words}”`.slice(0, 300) })
  const again = (one: Proposal) =>
    edit({ kind: 'wantAgain', what: one.id, name: `“${one.table}: ${one.words}”`.slice(0, 300) })
  const merge = (from: string, into: string) =>
    edit({
      kind: 'dismiss',
      id: freshId(),
      what: sameWord(from, into),
      name: `${from} as a table of its own; it is ${into}`.slice(0, 300),
    })

  const shown = mine.filter((one) => one.state !== 'dismissed' || showDismissed)
  const cards = [...new Set(shown.map((one) => one.table))]
  return (
    <div className="rounded-lg border border-ash-3 bg-ash-1 p-4">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-x-4">
        <h2 className="text-base">What the words give</h2>
        {open.length > 1 && <WordButton onClick={() => accept(open)}>Accept {whose}</WordButton>}
      </div>
      {shown.length === 0 && questions.length === 0 && (
        <Empty head="Nothing was found in these words">
          Say it as you would to a new colleague: “Each visit is at one premises and has a date.”
        </Empty>
      )}
      <div className="flex flex-col gap-3">
        {cards.map((card) => (
          <Card
            key={card}
            name={card}
            joining={shown.some((one) => one.table === card && one.kind === 'tie' && one.what.kind === 'n-n')}
          >
            {shown
              .filter((one) => one.table === card)
              .map((one) => (
                <Row
                  key={one.id}
                  proposal={one}
                  onAccept={() => accept([one])}
                  onDismiss={() => dismiss(one)}
                  onAgain={() => again(one)}
                  onChange={() => setChanging(one)}
                />
              ))}
          </Card>
        ))}
      </div>
      {questions.length > 0 && (
        <div className="mt-3 border-t border-dashed border-ash-4 pt-3">
          <h3 className="text-[13px] font-bold">Asked of the records</h3>
          <ul>
            {questions.map((question) => (
              <li key={question.text} className="mt-1 text-ash-6">
                {question.text}
                <span className="block text-[13px]">
                  {question.tables.length > 0
                    ? `needs ${question.tables.join(', ')}`
                    : 'the words name no table to answer it from'}
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
      <OpenQuestions proposals={proposals} {...(need !== undefined && { cards })} />
      {dismissed.length > 0 && (
        <WordButton onClick={() => setShowDismissed(!showDismissed)}>
          {showDismissed ? 'Hide what was ignored' : `Show ${dismissed.length} ignored`}
        </WordButton>
      )}
      {changing && (
        <ChangeProposal
          key={changing.id}
          proposal={changing}
          names={proposals.reading.tables.map((table) => table.name)}
          onClose={() => setChanging(undefined)}
          onAccept={(changed) => {
            setChanging(undefined)
            accept([changed], renamed(changing, changed))
          }}
          onMerge={(into) => {
            setChanging(undefined)
            merge(changing.table, into)
          }}
        />
      )}
    </div>
  )
}

/** What must be remembered so that words accepted under another name aren't proposed again. */
function renamed(before: Proposal, after: Proposal): Edit[] {
  if (before.kind === 'table' && before.table !== after.table)
    return [
      { kind: 'dismiss', id: freshId(), what: sameWord(before.table, after.table), name: `the name ${before.table}` },
    ]
  if (before.kind === 'field' && before.words !== after.words)
    return [{ kind: 'dismiss', id: freshId(), what: keptOtherwise(before.id), name: `the name ${before.words}` }]
  return []
}

/** A filing card with its tab; a joining table's is of brass. */
const Card = ({ name, joining, children }: { name: string; joining: boolean; children: React.ReactNode }) => (
  <section aria-label={name}>
    <h3
      className={classNames(
        'relative z-[1] -mb-px inline-block max-w-full rounded-t-lg border border-b-0 wrap-anywhere px-3 py-1 text-[13px] font-bold',
        joining ? 'border-bright-brass bg-brass-tint' : 'border-ash-4 bg-paper',
      )}
    >
      {name}
    </h3>
    <ul
      className={classNames(
        'rounded-lg rounded-tl-none border bg-paper px-3',
        joining ? 'border-bright-brass' : 'border-ash-4',
      )}
    >
      {children}
    </ul>
  </section>
)

interface RowProps {
  readonly proposal: Proposal
  readonly onAccept: () => void
  readonly onChange: () => void
  readonly onDismiss: () => void
  readonly onAgain: () => void
}

function Row({ proposal, onAccept, onChange, onDismiss, onAgain }: RowProps) {
  const { words, more, state, table } = proposal
  const name = `${table}: ${words}`
  return (
    <li className="flex min-h-9 items-center justify-between gap-2 border-b border-ash-3 py-1 last:border-b-0">
      <span className={classNames('min-w-0 wrap-anywhere', state === 'dismissed' && 'text-ash-6 line-through')}>
        {words} {more && <span className="text-[13px] text-ash-6">{more}</span>}
      </span>
      <span className="flex shrink-0 items-center">
        {state === 'here' && <span className="px-1 text-[13px] text-spruce">✓ in the book</span>}
        {state === 'new' && (
          <>
            <WordButton onClick={onAccept} aria-label={`Accept ${name}`}>
              Accept
            </WordButton>
            <QuietButton onClick={onChange} aria-label={`Change ${name}`}>
              Change
            </QuietButton>
            <QuietButton onClick={onDismiss} aria-label={`Ignore: ${name}`}>
              Ignore
            </QuietButton>
          </>
        )}
        {state === 'dismissed' && (
          <QuietButton onClick={onAgain} aria-label={`Restore ${name}`}>
            Restore
          </QuietButton>
        )}
      </span>
    </li>
  )
}

const QuietButton = (props: React.ComponentProps<'button'>) => (
  <button
    type="button"
    {...props}
    className="min-h-7 rounded-sm px-1 text-ash-6 underline underline-offset-2 hover:text-ink"
  />
)
