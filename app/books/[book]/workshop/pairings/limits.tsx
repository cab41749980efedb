'use client'

import { Plus, X } from 'lucide-react'
import { type FormEvent, useState } from 'react'
import { findLink, type Limit, type Link, linksFrom, tableOf } from '@/core/book'
import { limitConditions, sayLimit, type Tie, whatCounts } from '@/core/pairings'
import { inSentence, plural } from '@/core/words'
import { Button, ChoiceBox, IconButton, TextBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'

/** How many at most: the limits of a tie, and the line that adds another. */
export function Limits({ tie }: { readonly tie: Tie }) {
  const { book } = useWorkshop()
  const links = tie.joining
    ? linksFrom(book, tie.joining.id).filter((link) => tie.joining!.key.includes(link.field))
    : [findLink(book, tie.id)].filter((link) => link !== undefined)
  const counting = links.filter((link) => !tableOf(book, link.many).fields.find(({ id }) => id === link.field)?.unique)
  if (counting.length === 0) return null
  return (
    <section aria-label="Limits" className="mt-4 border-t border-dashed border-ash-4 pt-3">
      <h3 className="mb-1 text-sm font-bold">Limits</h3>
      {counting.map((link) => (
        <LimitsOf key={link.id} link={link} />
      ))}
    </section>
  )
}

function LimitsOf({ link }: { readonly link: Link }) {
  const { book, edit } = useWorkshop()
  const [most, setMost] = useState('')
  const [which, setWhich] = useState(0)
  const limits = link.limits ?? []
  const conditions = limitConditions(book, link)
  const [one, many] = [inSentence(tableOf(book, link.one).name), whatCounts(book, link)]
  const keep = (next: readonly Limit[]) => edit({ kind: 'limitLink', link: link.id, limits: [...next] })
  const add = (event: FormEvent) => {
    event.preventDefault()
    const { when } = conditions[which] ?? {}
    // One limit for each thing that is counted: a second takes the place of the first.
    const others = limits.filter((limit) => limit.when?.field !== when?.field || limit.when?.is !== when?.is)
    if (keep([...others, { id: freshId(), most: Number(most), ...(when && { when }) }])) setMost('')
  }
  return (
    <div className="mb-2">
      <ul>
        {limits.map((limit) => (
          <li key={limit.id} className="flex items-center gap-1">
            <span>{sayLimit(book, link, limit)}</span>
            <IconButton
              label={`Lift the limit: ${sayLimit(book, link, limit)}`}
              onClick={() => keep(limits.filter((other) => other !== limit))}
            >
              <X size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <form onSubmit={add} className="flex flex-wrap items-center gap-2 text-ash-6">
        <span>At most</span>
        <span className="w-[64px]">
          <TextBox
            aria-label={`How many ${plural(many)} at most for each ${one}`}
            inputMode="numeric"
            value={most}
            onChange={(event) => setMost(event.target.value.replace(/\D/g, '').slice(0, 4))}
          />
        </span>
        <span>
          {plural(many)} for each {one}
          {conditions.length > 1 && ', counting'}
        </span>
        {conditions.length > 1 && (
          <span className="min-w-[150px]">
            <ChoiceBox
              aria-label={`Which ${plural(many)} count`}
              value={which}
              onChange={(event) => setWhich(Number(event.target.value))}
            >
              {conditions.map(({ say }, at) => (
                <option key={say} value={at}>
                  {say}
                </option>
              ))}
            </ChoiceBox>
          </span>
        )}
        <Button small type="submit" disabled={!Number(most)}>
          <Plus size={14} aria-hidden /> Set the limit
        </Button>
      </form>
    </div>
  )
}
