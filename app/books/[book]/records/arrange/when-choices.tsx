'use client'

import { useState } from 'react'
import { type Book, findField, type FormPart } from '@/core/book'
import { type Asking, sayAsked } from '@/core/forms'
import { isTyped, kindOf } from '@/core/kinds'
import { WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import type { PartProps } from './part-props'
import { WhenDialog } from './when-dialog'

interface Question {
  readonly asks: Asking
  readonly label: string
  readonly usual: string
}

const shows: Question = { asks: 'shows', label: 'Shows', usual: 'always' }
const must: Question = { asks: 'must', label: 'Must be filled', usual: 'as its table asks' }
const onlyRead: Question = { asks: 'onlyRead', label: 'Only read', usual: 'never' }

/** What can be asked of a part: what is never typed isn't only read, what is never blank needn't be filled. */
function questionsOf(book: Book, part: FormPart): readonly Question[] {
  if (part.kind === 'rows' || part.kind === 'group') return [shows, onlyRead]
  const field = part.kind === 'field' ? findField(book, part.id)?.field : undefined
  if (!field || !isTyped(field) || kindOf(field.kind).control === 'given') return [shows]
  return field.kind === 'tick' ? [shows, onlyRead] : [shows, must, onlyRead]
}

/** When a part shows, must be filled and is only read, each to be changed. */
export function WhenChoices({ part, lines, starts, tableId, put }: PartProps) {
  const { book } = useRecords()
  const [asked, setAsked] = useState<Asking>()
  const questions = questionsOf(book, part)
  return (
    <dl className="grid grid-cols-[max-content_1fr] gap-x-3 gap-y-1">
      {questions.map(({ asks, label, usual }) => (
        <div key={asks} className="contents">
          <dt className="pt-0.5 text-ash-6">{label}</dt>
          <dd>
            <WordButton onClick={() => setAsked(asks)} className="text-left [overflow-wrap:anywhere]">
              <span className="sr-only">{label}: </span>
              {sayAsked(book, tableId, part, asks) ?? usual}
            </WordButton>
          </dd>
        </div>
      ))}
      {asked && (
        <WhenDialog
          key={`${part.id} ${asked}`}
          {...{ part, lines, starts, tableId }}
          asks={asked}
          usual={questions.find(({ asks }) => asks === asked)?.usual ?? ''}
          onKeep={(kept) => {
            setAsked(undefined)
            put({ [asked]: kept })
          }}
          onClose={() => setAsked(undefined)}
        />
      )}
    </dl>
  )
}
