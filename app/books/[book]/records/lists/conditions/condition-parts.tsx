'use client'

import { useMemo } from 'react'
import type { ConditionDraft } from '@/core/lists'
import { ChoiceBox, Labelled, TickBox } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { type Askable, askablesOf, idOf } from './askables'
import { CompareParts } from './compare-parts'
import { GroupParts } from './group-parts'
import { HasParts } from './has-parts'
import { type ConditionProps, deepest, type Inner } from './inner'
import { WriteParts } from '../write-parts'
import { RepeatsParts } from './repeats-parts'

/** One condition: what is asked of a record, and how; it may have others in it. */
export function ConditionParts({ id, label, none, list, table, draft, depth, onChange }: ConditionProps) {
  const at = { id, list, table, depth, inner }
  return (
    <div className="flex flex-col gap-2">
      <div className="grid gap-3 sm:grid-cols-3">
        <WhatBox {...{ id, label, none, list, table, draft, depth, onChange }} />
        {draft?.kind === 'compare' && <CompareParts id={id} table={table} draft={draft} onChange={onChange} />}
        {draft?.kind === 'repeats' && <RepeatsParts draft={draft} table={table} onChange={onChange} />}
        {draft?.kind === 'has' && <HasParts {...at} draft={draft} onChange={onChange} />}
      </div>
      {draft?.kind === 'written' && (
        <WriteParts
          id={`${id}-written`}
          table={table}
          source={draft.source}
          label="True of those that are meant"
          onChange={(source) => onChange({ ...draft, source })}
        />
      )}
      {draft?.kind === 'group' && <GroupParts {...at} draft={draft} onChange={onChange} />}
      {draft && (
        <TickBox
          id={`${id}-not`}
          checked={draft.not === true}
          label={sayTurned(draft)}
          onChange={(not) => onChange({ ...draft, not: not || undefined })}
        />
      )}
    </div>
  )
}

function sayTurned(draft: ConditionDraft): string {
  if (draft.kind !== 'group') return 'Turned round: those of which this is not so'
  return draft.joint === 'any'
    ? 'Turned round: those of which none of these is so'
    : 'Turned round: those of which not all of these are so'
}

const inner: Inner = (props) => <ConditionParts {...props} />

/** What is asked of a record: a field, whether there is something, or several things together. */
function WhatBox({ id, label, none, list, table, draft, depth, onChange }: ConditionProps) {
  const { book } = useRecords()
  const askables = useMemo(() => askablesOf(book, table, list, depth < deepest), [book, table, list, depth])
  return (
    <Labelled label={label} htmlFor={`${id}-what`}>
      <ChoiceBox
        id={`${id}-what`}
        value={draft ? idOf(draft) : ''}
        onChange={(event) => onChange(askables.find((one) => one.id === event.target.value)?.draft)}
      >
        <option value="">{none}</option>
        {groupsOf(askables).map(([group, some]) => (
          <optgroup key={group} label={group}>
            {some.map((one) => (
              <option key={one.id} value={one.id}>
                {one.words}
              </option>
            ))}
          </optgroup>
        ))}
      </ChoiceBox>
    </Labelled>
  )
}

function groupsOf(askables: readonly Askable[]): [string, Askable[]][] {
  const groups = new Map<string, Askable[]>()
  for (const one of askables) groups.set(one.group, [...(groups.get(one.group) ?? []), one])
  return [...groups]
}
