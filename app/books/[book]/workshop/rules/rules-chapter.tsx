'use client'

import { ChevronRight } from 'lucide-react'
import Link from 'next/link'
import { useState } from 'react'
import type { Book, Need, Table } from '@/core/book'
import {
  allFieldRules,
  allLimitRules,
  type FieldRule,
  fieldRules,
  type LimitRule,
  limitRules,
  type OwnRule,
  ownRules,
} from '@/core/rules'
import { counted } from '@/core/words'
import { Button, Empty, Note, TextBox } from '@/ui/kit'
import { IndexHead, IndexRow, Room } from '@/ui/shell/room'
import { NeedsMet } from '../needs-met'
import { useWorkshop } from '../workshop-context'
import { type AskedBy, NeedsForRules } from './needs-for-rules'
import { OwnRuleRow } from './own-rules'
import { RuleDialog } from './rule-dialog'

/** A table that is ticked for a need, by itself or by a field. */
const tableOfNeed = (book: Book, { metBy }: Need): Table | undefined =>
  book.tables.find((table) => metBy.includes(table.id) || table.fields.some((field) => metBy.includes(field.id)))

/** The fourth chapter: every rule, those that fields carry and those that were written, grouped by table. */
export function RulesChapter() {
  const { id, book } = useWorkshop()
  const [chosen, setChosen] = useState<string>()
  const [find, setFind] = useState('')
  const [writing, setWriting] = useState<{ readonly table: Table; readonly own?: OwnRule; readonly asked?: AskedBy }>()
  const all = [...allFieldRules(book), ...ownRules(book), ...allLimitRules(book)]
  const words = find.trim().toLowerCase()
  const tables = book.tables.filter((table) => chosen === undefined || table.id === chosen)
  const groups = tables
    .map((table) => ({
      table,
      rules: fieldRules(book, table).filter((rule) => rule.sentence.toLowerCase().includes(words)),
      limits: limitRules(book, table.id).filter(({ sentence }) => sentence.toLowerCase().includes(words)),
      own: ownRules(book, table.id).filter(({ rule, source }) =>
        `${rule.words} ${source}`.toLowerCase().includes(words),
      ),
    }))
    .filter(({ rules, own, limits }) => rules.length + own.length + limits.length > 0)
  const first = tables.find((table) => table.role !== 'word-list') ?? tables[0]
  return (
    <Room
      indexLabel="Rules for"
      index={
        <>
          <IndexHead>Rules for</IndexHead>
          <IndexRow here={chosen === undefined} count={all.length} onPick={() => setChosen(undefined)}>
            Every table
          </IndexRow>
          {book.tables.map((table) => (
            <IndexRow
              key={table.id}
              here={chosen === table.id}
              count={
                fieldRules(book, table).length + ownRules(book, table.id).length + limitRules(book, table.id).length
              }
              onPick={() => setChosen(table.id)}
            >
              {table.name}
            </IndexRow>
          ))}
        </>
      }
      margin={
        <>
          <Note mark="info" head="Where these rules are kept">
            Nearly all are kept while staff type, when they save, and in the database itself, so that no other tool can
            get round them. Each says where it is kept.
          </Note>
          <NeedsForRules onMake={(asked) => setWriting({ table: tableOfNeed(book, asked.need) ?? first!, asked })} />
          {chosen && <NeedsMet part={chosen} noun="table" />}
        </>
      }
    >
      <div className="mb-4 flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1 className="text-[22px] leading-tight">
            Rules{chosen && ` for ${book.tables.find((table) => table.id === chosen)?.name ?? ''}`}
          </h1>
          <p className="mt-1 text-ash-6">
            {all.length > 0
              ? `${counted(all.length, 'rule')}: what you wrote, and what the fields ask.`
              : 'What the fields of the tables ask of every record, and what you write besides.'}
          </p>
        </div>
        {first && (
          <Button look="main" onClick={() => setWriting({ table: first })}>
            Add a rule
          </Button>
        )}
      </div>
      {writing && <RuleDialog {...writing} onClose={() => setWriting(undefined)} />}
      {all.length === 0 ? (
        <Empty head="No rules yet">
          A field that must be filled, has bounds or choices shows its rule here as a sentence.
        </Empty>
      ) : (
        <>
          <TextBox
            aria-label="Find a rule"
            placeholder="Find a rule…"
            value={find}
            onChange={(event) => setFind(event.target.value)}
            className="mb-4 max-w-[320px]"
          />
          {groups
            .filter(({ own, limits }) => own.length + limits.length > 0)
            .map(({ table, own, limits }) => (
              <section key={table.id} className="mb-5">
                <h2 className="border-b border-ash-4 pb-1 text-[13px] text-ash-6">{table.name}</h2>
                <ul>
                  {own.map((one) => (
                    <OwnRuleRow key={one.rule.id} own={one} onChange={() => setWriting({ table, own: one })} />
                  ))}
                  {limits.map((limit) => (
                    <LimitRow key={limit.id} id={id} limit={limit} />
                  ))}
                </ul>
              </section>
            ))}
          {groups.some(({ rules }) => rules.length > 0) && (
            <>
              <h2 className="mt-6 mb-2 text-[15px]">What the fields ask</h2>
              {groups
                .filter(({ rules }) => rules.length > 0)
                .map(({ table, rules }) => (
                  // Open where one looks for something; a change of what is looked for begins anew.
                  <details
                    key={`${table.id} ${chosen} ${words !== ''}`}
                    open={chosen !== undefined || words !== ''}
                    className="group border-b border-ash-3"
                  >
                    <summary className="flex min-h-9 cursor-pointer items-center gap-2 rounded-sm py-1">
                      <ChevronRight size={14} aria-hidden className="group-open:rotate-90" />
                      <span className="font-semibold">{table.name}</span>
                      <span className="text-xs text-ash-6">{counted(rules.length, 'rule')}</span>
                    </summary>
                    <ul className="pb-2 pl-4">
                      {rules.map((rule) => (
                        <FieldRuleRow key={rule.id} id={id} rule={rule} />
                      ))}
                    </ul>
                  </details>
                ))}
            </>
          )}
          {groups.length === 0 && <p className="text-ash-6">No rule reads like “{find}”.</p>}
        </>
      )}
    </Room>
  )
}

const rowLook = 'flex min-h-9 flex-wrap items-center justify-between gap-x-4 border-b border-ash-3 py-1 last:border-b-0'

const LimitRow = ({ id, limit }: { readonly id: string; readonly limit: LimitRule }) => (
  <li className={rowLook}>
    <Link href={`/books/${id}/workshop/pairings?pair=${limit.pair.join('~')}`} className="rounded-sm hover:underline">
      {limit.sentence}
    </Link>
    <span className="text-xs text-ash-6">save · database</span>
  </li>
)

const FieldRuleRow = ({ id, rule }: { readonly id: string; readonly rule: FieldRule }) => (
  <li className={rowLook}>
    <span>
      <Link
        href={`/books/${id}/workshop/tables?table=${rule.table.id}&field=${rule.field.id}`}
        className="rounded-sm hover:underline"
      >
        {rule.sentence}
      </Link>
      {rule.refusal && <span className="ml-2 text-ash-6">“{rule.refusal}”</span>}
    </span>
    <span className="text-xs text-ash-6">form · save · database</span>
  </li>
)
