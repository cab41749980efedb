'use client'

import { useState } from 'react'
import { linkOf, type Need, type Table, tableOf } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { counted } from '@/core/words'
import { classNames, Empty, TextBox, TickBox } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'

/** Ticks which tables, fields, links and rules meet one need. What is ticked stands first. */
export function MetBy({ need, number }: { readonly need: Need; readonly number: number }) {
  const { book } = useWorkshop()
  const [find, setFind] = useState('')
  const [unfolded, setUnfolded] = useState<string>()
  if (book.tables.length === 0) {
    return <Empty head="No tables yet">Once there are tables, tick here which of them meet need {number}.</Empty>
  }
  const words = find.trim().toLowerCase()
  const meets = (table: Table) =>
    need.metBy.includes(table.id) || table.fields.some((field) => need.metBy.includes(field.id))
  const found = book.tables.filter(
    (table) => !words || [table, ...table.fields].some((part) => part.name.toLowerCase().includes(words)),
  )
  const shown = [...found].sort((a, b) => Number(meets(b)) - Number(meets(a)))
  return (
    <div className="rounded-lg border border-ash-3 bg-ash-1 p-4">
      <h2 className="mb-2">What meets need {number}</h2>
      <TextBox
        aria-label="Find a table or field"
        placeholder="Find a table or field…"
        value={find}
        onChange={(event) => setFind(event.target.value)}
        className="mb-3"
      />
      <div className="flex flex-col gap-2">
        {shown.map((table) => (
          <TableTicks
            key={table.id}
            need={need}
            table={table}
            open={meets(table) || words !== '' || unfolded === table.id}
            onOpen={() => setUnfolded(table.id)}
          />
        ))}
        <RuleTicks need={need} words={words} />
        {shown.length === 0 && <p className="text-ash-6">No table or field goes by “{find}”.</p>}
      </div>
    </div>
  )
}

/** The rules that were made, so that a need that lays one down can be met. */
function RuleTicks({ need, words }: { readonly need: Need; readonly words: string }) {
  const { book, edit } = useWorkshop()
  const found = book.rules.filter((rule) => rule.words.toLowerCase().includes(words))
  if (found.length === 0) return null
  return (
    <div className="rounded-lg border border-ash-3 bg-paper">
      <h3 className="px-3 py-1.5 font-bold">Rules</h3>
      <ul className="border-t border-ash-3 px-3 py-1">
        {found.map((rule) => (
          <li key={rule.id}>
            <TickBox
              id={`meets-${rule.id}`}
              checked={need.metBy.includes(rule.id)}
              onChange={(met) => void edit({ kind: 'tieNeed', need: need.id, part: rule.id, met })}
              label={rule.words}
            />
          </li>
        ))}
      </ul>
    </div>
  )
}

interface TicksProps {
  readonly need: Need
  readonly table: Table
  readonly open: boolean
  readonly onOpen: () => void
}

function TableTicks({ need, table, open, onOpen }: TicksProps) {
  const { book, edit } = useWorkshop()
  const tick = (part: string) => (met: boolean) => void edit({ kind: 'tieNeed', need: need.id, part, met })
  return (
    <div className="rounded-lg border border-ash-3 bg-paper">
      <div
        className={classNames(
          'flex items-center justify-between gap-2 px-3 py-0.5',
          table.role === 'joining' && 'rounded-t-lg bg-brass-tint',
        )}
      >
        <TickBox
          id={`meets-${table.id}`}
          checked={need.metBy.includes(table.id)}
          onChange={tick(table.id)}
          label={<b>{table.name}</b>}
        />
        {!open && (
          <button
            type="button"
            onClick={onOpen}
            className="min-h-7 rounded-sm px-1 text-[13px] text-ash-6 underline underline-offset-2"
            aria-label={`Fields of ${table.name}`}
          >
            {counted(table.fields.length, 'field')}
          </button>
        )}
      </div>
      {open && (
        <ul className="border-t border-ash-3 px-3 py-1">
          {table.fields.map((field) => (
            <li key={field.id} className="flex items-center justify-between gap-2">
              <TickBox
                id={`meets-${field.id}`}
                checked={need.metBy.includes(field.id)}
                onChange={tick(field.id)}
                label={field.name}
              />
              <span className="text-xs text-ash-6">
                {field.kind === 'link'
                  ? `→ ${tableOf(book, linkOf(book, field.id).one).name}`
                  : kindOf(field.kind).title.toLowerCase()}
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
