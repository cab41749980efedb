'use client'

import Link from 'next/link'
import { useState } from 'react'
import type { OwnRule } from '@/core/rules'
import { told } from '@/app/answered'
import { counted, inSentence, wordProblem } from '@/core/words'
import type { Violations } from '@/server/live'
import { Button, WordButton } from '@/ui/kit'
import { askBreakers } from '../actions'
import { useWorkshop } from '../workshop-context'

/** Which records of the open book break a rule as it stands, to go to each; or to let the rule be for new ones alone. */
export function RuleBreakers({ own }: { readonly own: OwnRule }) {
  const { id, opened, edit } = useWorkshop()
  const [found, setFound] = useState<Violations | string>()
  const [busy, setBusy] = useState(false)
  const { rule, table, compiled } = own
  if (!opened.everOpened || !compiled || compiled.kind === 'closed' || compiled.kind === 'follows') return null
  const ask = async () => {
    setBusy(true)
    const answer = await told(askBreakers(id, { rule: rule.id }))
    setBusy(false)
    setFound(answer.ok ? answer.value : wordProblem(answer.problem))
  }
  if (found === undefined)
    return (
      <WordButton
        onClick={() => void ask()}
        disabled={busy}
        aria-label={`Broken by: which records break ${rule.words}`}
      >
        {busy ? 'Looking …' : 'Broken by …'}
      </WordButton>
    )
  if (typeof found === 'string') return <span className="text-[13px] text-ash-6">{found}</span>
  if (found.count === 0) return <span className="text-[13px] text-spruce">✓ No record breaks it.</span>
  const more = found.count - found.first.length
  return (
    <div className="mt-1 basis-full rounded-md bg-brass-tint px-3 py-2 text-[13px]">
      <p>
        {counted(found.count, inSentence(table.name))} {found.count === 1 ? 'breaks' : 'break'} it:
      </p>
      <p className="mt-1 max-h-32 overflow-auto">
        {found.first.map((one) => (
          <Link
            key={one.ref}
            href={`/books/${id}/records/${table.id}/record/${encodeURIComponent(one.ref)}`}
            className="mr-3 inline-block rounded-sm font-semibold text-spruce hover:underline"
          >
            {one.label}
          </Link>
        ))}
        {more > 0 && `and ${more} more`}
      </p>
      {!rule.onlyNew && (
        <Button small className="mt-2" onClick={() => edit({ kind: 'changeRule', rule: rule.id, onlyNew: true })}>
          Ask it of new records alone
        </Button>
      )}
    </div>
  )
}
