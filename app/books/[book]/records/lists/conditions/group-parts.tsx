'use client'

import { X } from 'lucide-react'
import type { Table } from '@/core/book'
import type { GroupDraft } from '@/core/lists'
import { IconButton, Segments, WordButton } from '@/ui/kit'
import type { Inner } from './inner'

interface Props {
  readonly id: string
  readonly list: string
  readonly table: Table
  readonly draft: GroupDraft
  readonly depth: number
  readonly inner: Inner
  readonly onChange: (draft: GroupDraft) => void
}

const mostInGroup = 12

/** Several conditions as one: all of them, or any. */
export function GroupParts({ id, list, table, draft, depth, inner, onChange }: Props) {
  const { of, joint } = draft
  return (
    <div className="flex flex-col gap-2 border-l-2 border-ash-4 pl-3">
      <Segments
        label="How they go together"
        value={joint}
        options={[
          { value: 'any', words: 'Any of these' },
          { value: 'all', words: 'All of these' },
        ]}
        onChange={(next) => onChange({ ...draft, joint: next })}
      />
      <ol className="flex flex-col gap-2">
        {of.map((one, at) => (
          <li key={at} className="flex items-start gap-2 rounded-md border border-ash-3 p-2.5">
            <div className="min-w-0 flex-1">
              {inner({
                id: `${id}-${at}`,
                label: `What is asked, ${at + 1}`,
                none: 'Choose …',
                list,
                table: table,
                draft: one,
                depth: depth + 1,
                onChange: (to) => onChange({ ...draft, of: of.with(at, to) }),
              })}
            </div>
            <IconButton
              label={`Without condition ${at + 1}`}
              disabled={of.length === 1}
              onClick={() => onChange({ ...draft, of: of.toSpliced(at, 1) })}
            >
              <X size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ol>
      {of.length < mostInGroup && (
        <p>
          <WordButton onClick={() => onChange({ ...draft, of: [...of, undefined] })}>
            {joint === 'any' ? 'Or something else' : 'And something else'}
          </WordButton>
        </p>
      )}
    </div>
  )
}
