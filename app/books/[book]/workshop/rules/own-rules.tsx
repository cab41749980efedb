'use client'

import { Trash2 } from 'lucide-react'
import { type FormEvent, useState } from 'react'
import type { Table } from '@/core/book'
import { writtenName } from '@/core/expressions'
import { type OwnRule, readHolding } from '@/core/rules'
import { inSentence } from '@/core/words'
import { Button, ChoiceBox, Dialog, IconButton, Labelled, Tag, TextBox, WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { ExpressionBox } from '../expressions/expression-box'
import { useWorkshop } from '../workshop-context'

/** One rule that was written: what staff read, what must hold, and where it can't. */
export function OwnRuleRow({ own, onChange }: { readonly own: OwnRule; readonly onChange: () => void }) {
  const { edit } = useWorkshop()
  return (
    <li className="flex min-h-9 flex-wrap items-center justify-between gap-x-4 border-b border-ash-3 py-1">
      <span className="min-w-0 flex-1 wrap-anywhere">
        <WordButton onClick={onChange} aria-label={`Change the rule ${own.rule.words}`}>
          {own.rule.words}
        </WordButton>
        <span className="ml-2 font-mono text-[13px] text-ash-6">{own.source}</span>
        {own.because && (
          <span className="block text-ember">
            <b>Can’t hold. </b>
            {own.because}
          </span>
        )}
      </span>
      <span className="flex items-center gap-1 text-xs text-ash-6">
        {own.because ? <Tag>not kept</Tag> : 'form · save · database'}
        <IconButton
          label={`Remove the rule ${own.rule.words}`}
          onClick={() => edit({ kind: 'removeRule', rule: own.rule.id })}
        >
          <Trash2 size={14} aria-hidden />
        </IconButton>
      </span>
    </li>
  )
}

interface DialogProps {
  /** The rule to change; none for a new one. */
  readonly own?: OwnRule
  /** The table to begin with. */
  readonly table: Table
  readonly onClose: () => void
}

/** Writes a rule down: whose records it is for, what must hold, what staff read when it doesn't. */
export function RuleDialog({ own, table: first, onClose }: DialogProps) {
  const { book, edit } = useWorkshop()
  const [tableId, setTableId] = useState(first.id)
  const [source, setSource] = useState(own?.source ?? '')
  const [words, setWords] = useState(own?.rule.words ?? '')
  const table = book.tables.find((one) => one.id === tableId) ?? first
  const read = readHolding(book, table, source)
  const wrong =
    'because' in read && source.trim() !== ''
      ? { words: read.because, start: read.start ?? 0, end: read.end ?? 0 }
      : undefined
  const keep = (event: FormEvent) => {
    event.preventDefault()
    if (!read.tree) return
    const says = { kind: 'holds' as const, tree: JSON.parse(JSON.stringify(read.tree)) as never }
    const kept = own
      ? edit({ kind: 'changeRule', rule: own.rule.id, says, words })
      : edit({ kind: 'addRule', id: freshId(), table: table.id, says, words })
    if (kept) onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={own ? 'Change the rule' : 'A new rule'}
      say="It holds while staff type, when they save, and in the database itself."
      actions={
        <>
          <Button onClick={onClose}>Leave it</Button>
          <Button look="main" type="submit" form="rule-form" disabled={!read.tree || !words.trim()}>
            {own ? 'Keep the change' : 'Add the rule'}
          </Button>
        </>
      }
    >
      <form id="rule-form" onSubmit={keep} className="mt-3 flex flex-col gap-3">
        {!own && (
          <Labelled label="For each" htmlFor="rule-table">
            <ChoiceBox id="rule-table" value={tableId} onChange={(event) => setTableId(event.target.value)}>
              {book.tables.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
        )}
        <ExpressionBox
          id="rule-source"
          label={`What must hold for each ${inSentence(table.name)}`}
          hint="Compare facts with =, <>, <, <=, >, >=; join with AND and OR; ask with IS NULL. A blank fact refuses nothing."
          table={table}
          source={source}
          placeholder={placeholderFor(table)}
          wrong={wrong}
          sound={read.tree ? 'It can be kept.' : undefined}
          autoFocus
          onChange={setSource}
        />
        <Labelled label="What staff read when it refuses" htmlFor="rule-words">
          <TextBox
            id="rule-words"
            maxLength={200}
            value={words}
            placeholder="It can’t come back before it went out."
            onChange={(event) => setWords(event.target.value)}
          />
        </Labelled>
      </form>
    </Dialog>
  )
}

/** An example from the table's own fields: two dates compared, or one number with a bound. */
function placeholderFor(table: Table): string {
  const [early, late] = table.fields.filter((field) => field.kind === 'date' || field.kind === 'dateTime')
  if (early && late && early.kind === late.kind) return `${writtenName(late.name)} >= ${writtenName(early.name)}`
  const number = table.fields.find((field) => ['whole', 'exact', 'money'].includes(field.kind))
  return number ? `${writtenName(number.name)} > 0` : '"Returned on" >= "Lent on"'
}
