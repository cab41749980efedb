'use client'

import { type FormEvent, useState } from 'react'
import type { Edit, Table } from '@/core/book'
import { type DraftRead, draftOf, isStanding, type OwnRule, readDraft, type RuleDraft, subjectsOf } from '@/core/rules'
import { inSentence, wordProblem } from '@/core/words'
import { Button, ChoiceBox, Dialog, Labelled, Segments, TextBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import type { AskedBy } from './needs-for-rules'
import { ExpressionBox } from '../expressions/expression-box'
import { useWorkshop } from '../workshop-context'
import { isParts, isSentence, ruleKinds } from './rule-kinds'
import { SaysParts } from './says-parts'
import { SentenceParts } from './sentence-parts'

interface Props {
  /** The rule to change; none for a new one. */
  readonly own?: OwnRule
  /** The table to begin with. */
  readonly table: Table
  /** The need that lays it down; the rule is ticked for it. */
  readonly asked?: AskedBy
  readonly onClose: () => void
}

/** Makes a rule: for whose records, what it says as a sentence or as it is written, what staff read, when it is asked. */
export function RuleDialog({ own, table: begin, asked: by, onClose }: Props) {
  const { book, edit } = useWorkshop()
  const [tableId, setTableId] = useState(begin.id)
  const table = book.tables.find((one) => one.id === tableId) ?? begin
  const [draft, setDraft] = useState<RuleDraft>(() => (own ? draftOf(book, own) : ruleKinds.compare.begin))
  const [words, setWords] = useState(own?.rule.words ?? '')
  const [onlyNew, setOnlyNew] = useState(own?.rule.onlyNew ?? false)
  const [warns, setWarns] = useState(own?.rule.warns ?? false)

  const asked = isStanding(draft) ? {} : { ...(onlyNew && { onlyNew }), ...(warns && { warns }) }
  const read = readDraft(book, table, draft, asked)
  const staffRead = words.trim() || (read.words ?? '')
  const canKeep = read.says !== undefined && staffRead !== ''

  const begins = (kind: RuleDraft['kind']): RuleDraft =>
    kind === 'written' && read.source ? { kind, source: read.source } : ruleKinds[kind].begin
  const keep = (event: FormEvent) => {
    event.preventDefault()
    if (!read.says || !canKeep) return
    const said = { says: read.says, words: staffRead }
    const kept = own
      ? edit({
          kind: 'changeRule',
          rule: own.rule.id,
          ...said,
          onlyNew: asked.onlyNew ?? false,
          warns: asked.warns ?? false,
        })
      : edit(adding(table, { kind: 'addRule', id: freshId(), table: table.id, ...said, ...asked }, by))
    if (kept) onClose()
  }
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={own ? 'Change the rule' : 'A new rule'}
      say={
        by
          ? `Need ${by.number}: ${by.need.text}`
          : 'It is kept while staff type, when they save, and in the database itself.'
      }
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" form="rule-form" disabled={!canKeep}>
            {own ? 'Save the change' : 'Add the rule'}
          </Button>
        </>
      }
    >
      <form id="rule-form" onSubmit={keep} className="mt-3 flex flex-col gap-3">
        <div className="grid gap-3 sm:grid-cols-2">
          <Labelled label="For each" htmlFor="rule-table">
            <ChoiceBox
              id="rule-table"
              value={tableId}
              disabled={own !== undefined}
              onChange={(event) => {
                setTableId(event.target.value)
                setDraft(begins(draft.kind))
              }}
            >
              {book.tables.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
          <Labelled label="What it is about" htmlFor="rule-kind">
            <ChoiceBox
              id="rule-kind"
              value={draft.kind}
              autoFocus={!own}
              onChange={(event) => setDraft(begins(event.target.value as RuleDraft['kind']))}
            >
              {Object.entries(ruleKinds).map(([name, { title }]) => (
                <option key={name} value={name}>
                  {title}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
        </div>
        <DraftParts table={table} draft={draft} read={read} onChange={setDraft} />
        <DraftSaid written={draft.kind === 'written'} read={read} />
        <Labelled label="What staff read when it isn’t so" htmlFor="rule-words">
          <TextBox
            id="rule-words"
            maxLength={200}
            value={words}
            placeholder={read.words || 'It can’t come back before it went out.'}
            onChange={(event) => setWords(event.target.value)}
          />
        </Labelled>
        {!isStanding(draft) && (
          <div className="flex flex-wrap gap-x-6 gap-y-2">
            <Segments
              small
              label="When it is asked"
              value={onlyNew ? 'new' : 'always'}
              options={[
                { value: 'always', words: 'Always' },
                { value: 'new', words: 'Only of new records' },
              ]}
              onChange={(value) => setOnlyNew(value === 'new')}
            />
            <Segments
              small
              label="What it does"
              value={warns ? 'warns' : 'refuses'}
              options={[
                { value: 'refuses', words: 'Refuses' },
                { value: 'warns', words: 'Only warns' },
              ]}
              onChange={(value) => setWarns(value === 'warns')}
            />
          </div>
        )}
      </form>
    </Dialog>
  )
}

/** A new rule, ticked for the need that lays it down. */
const adding = (table: Table, rule: Extract<Edit, { kind: 'addRule' }>, by: AskedBy | undefined): Edit =>
  by
    ? {
        kind: 'together',
        say: `Add a rule for ${table.name}`,
        edits: [rule, { kind: 'tieNeed', need: by.need.id, part: rule.id, met: true }],
      }
    : rule

interface DraftProps {
  readonly table: Table
  readonly draft: RuleDraft
  readonly read: DraftRead
  readonly onChange: (draft: RuleDraft) => void
}

/** What the rule says, in the way that suits its kind. */
function DraftParts({ table, draft, read, onChange }: DraftProps) {
  const { book } = useWorkshop()
  if (isSentence(draft))
    return <SentenceParts subjects={subjectsOf(book, table)} sentence={draft} onChange={onChange} />
  if (isParts(draft))
    return <SaysParts book={book} table={table} draft={draft} wrong={read.wrong} onChange={onChange} />
  return (
    <ExpressionBox
      id="rule-source"
      label={`What must be true for each ${inSentence(table.name)}`}
      hint="Compare fields with =, <>, <, <=, >, >=; join with AND and OR; ask with IS NULL. Empty fields never break a rule."
      table={table}
      source={draft.source}
      wrong={read.wrong}
      sound={read.says && 'It can be kept.'}
      tries={read.tree && { table, tree: read.tree, asks: true }}
      onChange={(source) => onChange({ kind: 'written', source })}
    />
  )
}

/** What is still missing or in the way, or the expression that a sentence stands for. */
function DraftSaid({ written, read }: { readonly written: boolean; readonly read: DraftRead }) {
  const { missing, hindrance, source } = read
  return (
    <p role="status" className={written ? 'text-[13px]' : 'min-h-5 text-[13px]'}>
      {missing && <span className="text-ash-6">{wordProblem(missing)}</span>}
      {hindrance && <span className="text-ember">{wordProblem(hindrance)}</span>}
      {read.says && source && <span className="text-spruce">✓</span>}{' '}
      {source && <code className="font-mono text-ash-6">{source}</code>}
    </p>
  )
}
