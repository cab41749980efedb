'use client'

import { type FormEvent, useState } from 'react'
import { type Book, tableOf } from '@/core/book'
import { storeTree } from '@/core/expressions'
import { type Asking, askedOf, changePart, conditionFaults, partNameOf } from '@/core/forms'
import { type Json, type Problem, wordProblem } from '@/core/words'
import { Button, Dialog, Segments } from '@/ui/kit'
import { useRecords } from '../records-context'
import type { PartProps } from './part-props'
import { readWhen, type WhenDraft, whenDraftOf } from './when-draft'
import { WhenParts } from './when-parts'

interface Props extends Pick<PartProps, 'part' | 'lines' | 'starts' | 'tableId'> {
  readonly asks: Asking
  /** What holds where nothing is said. */
  readonly usual: string
  readonly onKeep: (kept: Json | undefined) => void
  readonly onClose: () => void
}

const titles: Readonly<Record<Asking, (name: string) => string>> = {
  shows: (name) => `When does ${name} show?`,
  must: (name) => `When must ${name} be filled?`,
  onlyRead: (name) => `When is ${name} only read?`,
}

const says: Readonly<Record<Asking, string>> = {
  shows: 'What holds something other than it starts with, or is wrong, shows in any case.',
  must: 'This form alone asks for it. What must be so wherever records are changed is a rule.',
  onlyRead: 'It can’t be typed on this form then. What may not change anywhere is a rule.',
}

type Answer = 'usual' | 'always' | 'when'

/** When something is asked of a part: as usual, always, or under a condition. */
export function WhenDialog({ part, lines, starts, tableId, asks, usual, onKeep, onClose }: Props) {
  const { book } = useRecords()
  const table = tableOf(book, tableId)
  const kept = askedOf(part, asks)
  const [answer, setAnswer] = useState<Answer>(kept === true ? 'always' : kept === undefined ? 'usual' : 'when')
  const [draft, setDraft] = useState<WhenDraft>(() => whenDraftOf(book, table, kept))
  const read = answer === 'when' ? readWhen(book, table, draft) : {}
  const now = answer === 'always' ? true : read.tree && storeTree(read.tree)
  const problem = read.problem ?? faultOf(book, { part, lines, starts, tableId, asks }, now)
  const keep = (event: FormEvent) => {
    event.preventDefault()
    if (!problem) onKeep(now)
  }
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={titles[asks](partNameOf(book, tableId, part))}
      say={says[asks]}
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" form="part-when" disabled={problem !== undefined}>
            Done
          </Button>
        </>
      }
    >
      <form id="part-when" onSubmit={keep} className="mt-3 flex flex-col gap-3">
        <Segments<Answer>
          label="When"
          value={answer}
          options={[
            { value: 'usual', words: usual },
            ...(asks === 'onlyRead' ? [{ value: 'always', words: 'always' } as const] : []),
            { value: 'when', words: 'only when …' },
          ]}
          onChange={setAnswer}
        />
        {answer === 'when' && (
          <WhenParts tableId={tableId} own={part.id} draft={draft} wrong={read.wrong} onChange={setDraft} />
        )}
        <p role="status" className="min-h-5 text-[13px] text-ash-6">
          {problem && !read.wrong && wordProblem(problem)}
        </p>
      </form>
    </Dialog>
  )
}

/** What would be wrong with the form, were this kept. */
function faultOf(
  book: Book,
  { part, lines, starts, tableId, asks }: Pick<Props, 'part' | 'lines' | 'starts' | 'tableId' | 'asks'>,
  now: Json | undefined,
): Problem | undefined {
  if (now === undefined) return undefined
  const changed = changePart(lines, part.id, { [asks]: now })
  const within = new Set(part.kind === 'group' ? [part.id, ...part.lines.flat().map(({ id }) => id)] : [part.id])
  const faults = conditionFaults(book, { table: tableId, lines: changed, starts })
  return faults.find((fault) => within.has(fault.part.id) && (fault.asks === asks || asks === 'must'))?.problem
}
