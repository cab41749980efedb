'use client'

import type { Table } from '@/core/book'
import type { RepeatsDraft } from '@/core/lists'
import { TickBox } from '@/ui/kit'

interface Props {
  readonly draft: RepeatsDraft
  readonly table: Table
  readonly onChange: (draft: RepeatsDraft) => void
}

/** By which fields records are found that are there more than once. */
export function RepeatsParts({ draft, table, onChange }: Props) {
  const fields = table.fields.filter(({ kind }) => kind !== 'file' && kind !== 'running')
  const toggle = (id: string, now: boolean) =>
    onChange({ ...draft, fields: now ? [...draft.fields, id] : draft.fields.filter((one) => one !== id) })
  return (
    <fieldset className="sm:col-span-2">
      <legend className="text-[13px] font-semibold">The same in all of these</legend>
      <div className="mt-1 grid max-h-[230px] grid-cols-2 gap-x-4 overflow-y-auto">
        {fields.map(({ id, name }) => (
          <TickBox
            key={id}
            id={`repeats-${id}`}
            checked={draft.fields.includes(id)}
            label={name}
            onChange={(now) => toggle(id, now)}
          />
        ))}
      </div>
      <div className="mt-2 border-t border-ash-3 pt-2">
        <TickBox
          id="repeats-nearly"
          checked={draft.nearly}
          label="Nearly is enough: capitals, accents, spaces and signs don’t count"
          onChange={(nearly) => onChange({ ...draft, nearly })}
        />
      </div>
    </fieldset>
  )
}
