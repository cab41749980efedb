'use client'

import { X } from 'lucide-react'
import type { Table } from '@/core/book'
import { joinableFacts, separators } from '@/core/lists'
import { ChoiceBox, IconButton, Labelled } from '@/ui/kit'
import { useRecords } from '../../records-context'
import type { Draft } from './draft'

interface Props {
  readonly table: Table
  readonly draft: Draft
  readonly onChange: (to: Partial<Draft>) => void
}

const mostJoined = 8

/** Fields one after the other, and what stands between them. */
export function JoinParts({ table, draft, onChange }: Props) {
  const { book } = useRecords()
  const facts = joinableFacts(book, table)
  const { joined } = draft
  const left = facts.filter(({ source }) => !joined.includes(source))
  return (
    <div className="flex flex-col gap-3">
      <ol className="flex flex-col gap-1.5" aria-label="Joined fields">
        {joined.map((source, at) => {
          const words = facts.find((one) => one.source === source)?.words ?? source
          return (
            <li key={source} className="flex items-center gap-2">
              <span className="w-12 text-[13px] text-ash-6">{at === 0 ? 'First' : 'Then'}</span>
              <span className="min-w-0 flex-1 truncate">{words}</span>
              <IconButton
                label={`Without ${words}`}
                onClick={() => onChange({ joined: joined.filter((one) => one !== source) })}
              >
                <X size={14} aria-hidden />
              </IconButton>
            </li>
          )
        })}
        {joined.length < mostJoined && (
          <li className="flex items-center gap-2">
            <span className="w-12 text-[13px] text-ash-6">{joined.length === 0 ? 'First' : 'Then'}</span>
            <ChoiceBox
              aria-label={joined.length === 0 ? 'First field' : 'Next field'}
              value=""
              onChange={(event) => event.target.value && onChange({ joined: [...joined, event.target.value] })}
            >
              <option value="">Choose a field …</option>
              {left.map(({ source, words }) => (
                <option key={source} value={source}>
                  {words}
                </option>
              ))}
            </ChoiceBox>
          </li>
        )}
      </ol>
      <Labelled
        label="Between them"
        htmlFor="join-between"
        hint="What is blank is left out, with what stands before it."
      >
        <ChoiceBox
          id="join-between"
          value={draft.between}
          onChange={(event) => onChange({ between: event.target.value })}
        >
          {separators.map(({ between, words }) => (
            <option key={words} value={between}>
              {words}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
    </div>
  )
}
