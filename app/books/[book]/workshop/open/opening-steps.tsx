'use client'

import { useState } from 'react'
import type { OpeningStep } from '@/core/opening'
import { WordButton } from '@/ui/kit'

interface Group {
  readonly say: string
  readonly sql: readonly string[]
}

/** Steps that say the same stand together. */
function grouped(steps: readonly OpeningStep[]): Group[] {
  const groups = new Map<string, string[]>()
  for (const step of steps) groups.set(step.say, [...(groups.get(step.say) ?? []), step.sql])
  return [...groups].map(([say, sql]) => ({ say, sql }))
}

/** What will be done, in plain words, with the SQL one click away. */
export function OpeningSteps({ steps }: { readonly steps: readonly OpeningStep[] }) {
  const [all, setAll] = useState(false)
  const groups = grouped(steps)
  return (
    <>
      <div className="flex justify-end">
        <WordButton quiet onClick={() => setAll(!all)}>
          {all ? 'Hide the SQL' : 'Show all the SQL'}
        </WordButton>
      </div>
      <ol className="border-t border-ash-3">
        {groups.map((group, at) => (
          <StepRow key={group.say} number={at + 1} group={group} open={all} />
        ))}
      </ol>
    </>
  )
}

function StepRow({ number, group, open }: { readonly number: number; readonly group: Group; readonly open: boolean }) {
  const [own, setOwn] = useState(false)
  const shown = open || own
  return (
    <li className="border-b border-ash-3 py-1.5">
      <div className="flex items-baseline gap-3">
        <span className="w-6 shrink-0 text-right text-[13px] text-ash-6">{number}</span>
        <span className="min-w-0 flex-1">{group.say}</span>
        <WordButton quiet aria-expanded={shown} onClick={() => setOwn(!own)}>
          SQL<span className="sr-only"> for step {number}</span>
        </WordButton>
      </div>
      {shown && (
        <pre
          tabIndex={0}
          className="mt-1.5 ml-9 overflow-x-auto rounded-md border border-ash-3 bg-ash-1 p-3 font-mono text-xs leading-relaxed"
        >
          {group.sql.map((sql) => `${sql};`).join('\n\n')}
        </pre>
      )}
    </li>
  )
}
