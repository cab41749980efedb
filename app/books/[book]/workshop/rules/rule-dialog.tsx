'use client'

import { type FormEvent, useState } from 'react'
import type { Edit, RuleSays, Table } from '@/core/book'
import { storeTree } from '@/core/expressions'
import {
  type OwnRule,
  readHolding,
  readRuleSays,
  reopenSentence,
  type Sentence,
  subjectsOf,
  writeSentence,
} from '@/core/rules'
import { inSentence } from '@/core/words'
import { Button, ChoiceBox, Dialog, Labelled, Segments, TextBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import type { AskedBy } from './needs-for-rules'
import { ExpressionBox } from '../expressions/expression-box'
import { useWorkshop } from '../workshop-context'
import { draftOf, drafts, type RuleKind, sentences } from './rule-kinds'
import { type Draft, sayDraft, SaysParts } from './says-parts'
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
  const old = own && draftOf(book, own.rule.says)
  const [said] = useState(() =>
    own?.compiled?.kind === 'holds' ? reopenSentence(book, begin, own.compiled.tree) : undefined,
  )
  const [kind, setKind] = useState<RuleKind>(own ? (old?.kind ?? said?.kind ?? 'written') : 'compare')
  const [sentence, setSentence] = useState<Sentence>(said ?? sentences.compare.begin)
  const [draft, setDraft] = useState<Draft>(old ?? drafts.together.begin)
  const [source, setSource] = useState(own?.source ?? '')
  const [words, setWords] = useState(own?.rule.words ?? '')
  const [onlyNew, setOnlyNew] = useState(own?.rule.onlyNew ?? false)
  const [warns, setWarns] = useState(own?.rule.warns ?? false)

  const choose = (next: RuleKind) => {
    setKind(next)
    if (next in sentences) setSentence(sentences[next as Sentence['kind']].begin)
    else if (next in drafts) setDraft(drafts[next as Draft['kind']].begin)
    else if (told && 'source' in told) setSource(told.source)
  }
  const told = kind in sentences ? writeSentence(book, table, sentence) : undefined
  const text = told ? ('source' in told ? told.source : '') : source
  const read = kind in drafts ? undefined : readHolding(book, table, text, onlyNew || warns)
  const drafted = kind in drafts ? sayDraft(book, table, draft) : undefined
  const wrong =
    read && 'because' in read && text.trim() !== ''
      ? { words: read.because, start: read.start ?? 0, end: read.end ?? 0 }
      : undefined
  const says: RuleSays | undefined = read?.tree
    ? { kind: 'holds', tree: storeTree(read.tree) }
    : drafted && 'says' in drafted
      ? drafted.says
      : undefined
  const looked = says && readRuleSays(book, table, { says, ...(onlyNew && { onlyNew }), ...(warns && { warns }) })
  const hindrance = looked && 'because' in looked ? looked.because : undefined
  const missing =
    told && 'missing' in told ? told.missing : drafted && 'missing' in drafted ? drafted.missing : undefined
  const suggested = told && 'words' in told ? told.words : ''
  const staffRead = words.trim() || suggested
  const canKeep = says !== undefined && !hindrance && staffRead !== ''
  const standing = kind === 'closed' || kind === 'follows'

  const keep = (event: FormEvent) => {
    event.preventDefault()
    if (!says || !canKeep) return
    const asked = { onlyNew: onlyNew && !standing, warns: warns && !standing }
    if (own) return edit({ kind: 'changeRule', rule: own.rule.id, says, words: staffRead, ...asked }) && onClose()
    const id = freshId()
    const added: Edit = {
      kind: 'addRule',
      id,
      table: table.id,
      says,
      words: staffRead,
      ...(asked.onlyNew && { onlyNew: true }),
      ...(asked.warns && { warns: true }),
    }
    const ticked: Edit[] = by ? [{ kind: 'tieNeed', need: by.need.id, part: id, met: true }] : []
    const kept =
      ticked.length > 0
        ? edit({ kind: 'together', say: `Add a rule for ${table.name}`, edits: [added, ...ticked] })
        : edit(added)
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
                choose(kind)
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
              value={kind}
              autoFocus={!own}
              onChange={(event) => choose(event.target.value as RuleKind)}
            >
              {Object.entries({ ...sentences, ...drafts }).map(([name, { title }]) => (
                <option key={name} value={name}>
                  {title}
                </option>
              ))}
              <option value="written">Anything else, written as an expression</option>
            </ChoiceBox>
          </Labelled>
        </div>
        {kind in sentences && (
          <SentenceParts subjects={subjectsOf(book, table)} sentence={sentence} onChange={setSentence} />
        )}
        {kind in drafts && <SaysParts book={book} table={table} draft={draft} onChange={setDraft} />}
        {kind === 'written' && (
          <ExpressionBox
            id="rule-source"
            label={`What must be true for each ${inSentence(table.name)}`}
            hint="Compare fields with =, <>, <, <=, >, >=; join with AND and OR; ask with IS NULL. Empty fields never break a rule."
            table={table}
            source={source}
            wrong={wrong}
            sound={canKeepText(read)}
            tries={read?.tree && { table, tree: read.tree, asks: true }}
            onChange={setSource}
          />
        )}
        <p role="status" className={kind === 'written' ? 'text-[13px]' : 'min-h-5 text-[13px]'}>
          {(missing ?? hindrance) ? (
            <span className={hindrance ? 'text-ember' : 'text-ash-6'}>{hindrance ?? missing}</span>
          ) : (
            told &&
            'source' in told && (
              <>
                {wrong ? <span className="text-ember">{wrong.words}</span> : <span className="text-spruce">✓ </span>}{' '}
                <code className="font-mono text-ash-6">{told.source}</code>
              </>
            )
          )}
        </p>
        <Labelled label="What staff read when it isn’t so" htmlFor="rule-words">
          <TextBox
            id="rule-words"
            maxLength={200}
            value={words}
            placeholder={suggested || 'It can’t come back before it went out.'}
            onChange={(event) => setWords(event.target.value)}
          />
        </Labelled>
        {!standing && (
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

const canKeepText = (read: ReturnType<typeof readHolding> | undefined) =>
  read && 'compiled' in read ? 'It can be kept.' : undefined
