'use client'

import { useMemo, useState } from 'react'
import { type Field, tableOf } from '@/core/book'
import { isTyped, kindOf } from '@/core/kinds'
import { type FormText, formLayout, formTextOf, type RowText } from '@/core/records'
import { plural } from '@/core/words'
import type { LiveRecord } from '@/server/live'
import { Button, Dialog, Segments } from '@/ui/kit'
import { useDesk } from '../desk-context'
import { officeNow } from '@/app/office-now'

export interface Revs {
  readonly own: number
  readonly rows: ReadonlyMap<string, number>
}

export interface Clash {
  readonly by: string
  readonly theirs: LiveRecord
  readonly mine: FormText
  /** What both began with. */
  readonly start: FormText
  readonly revs?: Revs
}

interface Props {
  readonly tableId: string
  readonly clash: Clash
  readonly onClose: () => void
  readonly onChoose: (text: FormText, revs: Revs) => void
}

type Choice = 'mine' | 'theirs'

/** Two people changed one record: both versions, field by field, to choose from. Nothing is lost. */
export function ConflictDialog({ tableId, clash, onClose, onChoose }: Props) {
  const { book } = useDesk()
  const { by, mine, start } = clash
  const table = tableOf(book, tableId)
  const theirs = useMemo(() => formTextOf(book, tableId, clash.theirs, officeNow()), [book, tableId, clash.theirs])
  const differing = table.fields.filter(
    (field) => isTyped(field) && (mine.text[field.id] ?? '') !== (theirs.text[field.id] ?? ''),
  )
  // Only what both of them changed needs a decision; the rest goes to whoever changed it.
  const usual = (field: Field): Choice =>
    (mine.text[field.id] ?? '') === (start.text[field.id] ?? '') ? 'theirs' : 'mine'
  const [choices, setChoices] = useState<Readonly<Record<string, Choice>>>({})
  const choiceOf = (field: Field) => choices[field.id] ?? usual(field)
  const shown = (form: FormText, field: Field) =>
    (field.kind === 'link'
      ? form.labels[field.id] || form.text[field.id]
      : kindOf(field.kind).control === 'file'
        ? form.text[field.id]
          ? 'a file'
          : ''
        : form.text[field.id]) || 'blank'
  const insets = formLayout(book, tableId).insets

  const choose = () => {
    const pick = (from: 'text' | 'labels') =>
      Object.fromEntries(
        table.fields.map((field) => [
          field.id,
          (differing.includes(field) && choiceOf(field) === 'mine' ? mine : theirs)[from][field.id] ?? '',
        ]),
      )
    const merged = Object.fromEntries(
      insets.map((inset) => [
        inset.link.id,
        mergeRows(
          mine.insets[inset.link.id] ?? [],
          theirs.insets[inset.link.id] ?? [],
          start.insets[inset.link.id] ?? [],
        ),
      ]),
    )
    const rows = new Map(
      Object.values(theirs.insets).flatMap((list) => list.map((row) => [row.ref ?? '', row.rev ?? 0] as const)),
    )
    onChoose({ text: pick('text'), labels: pick('labels'), insets: merged }, { own: clash.theirs.row.rev, rows })
  }
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={`${by} changed this record while you were typing`}
      say="Choose for each field what to keep. What only one of you changed is chosen already."
      actions={
        <>
          <Button onClick={onClose}>Go on typing</Button>
          <Button look="main" onClick={choose}>
            Save what is chosen
          </Button>
        </>
      }
    >
      <table className="mt-3 w-full">
        <thead>
          <tr className="border-b border-ash-4 text-left text-[13px] text-ash-6">
            <th className="py-1 pr-3 font-normal">Field</th>
            <th className="py-1 pr-3 font-normal">Yours</th>
            <th className="py-1 pr-3 font-normal">{by}’s</th>
            <th className="py-1 font-normal">Keep</th>
          </tr>
        </thead>
        <tbody>
          {differing.map((field) => (
            <tr key={field.id} className="border-b border-ash-3 align-top">
              <th scope="row" className="py-2 pr-3 text-left">
                {field.name}
              </th>
              <td className="max-w-[220px] py-2 pr-3 break-words">{shown(mine, field)}</td>
              <td className="max-w-[220px] py-2 pr-3 break-words">{shown(theirs, field)}</td>
              <td className="py-1.5">
                <Segments
                  small
                  label={`Keep for ${field.name}`}
                  value={choiceOf(field)}
                  options={[
                    { value: 'mine', words: 'Yours' },
                    { value: 'theirs', words: 'Theirs' },
                  ]}
                  onChange={(choice) => setChoices({ ...choices, [field.id]: choice })}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {insets.length > 0 && (
        <p className="mt-3 text-[13px] text-ash-6">
          {insets.map((inset) => plural(inset.table.name)).join(', ')}: rows that either of you added or changed are
          kept; where both changed one row, yours is.
        </p>
      )}
    </Dialog>
  )
}

/** Their rows with my changes on them; what I added stays, what I changed and they removed is entered anew. */
function mergeRows(mine: readonly RowText[], theirs: readonly RowText[], start: readonly RowText[]): RowText[] {
  const began = new Map(start.map((row) => [row.ref, row]))
  const own = new Map(mine.filter((row) => row.ref !== null).map((row) => [row.ref, row]))
  const changed = (row: RowText) => row.removed || JSON.stringify(row.text) !== JSON.stringify(began.get(row.ref)?.text)
  const kept = theirs.map((row) => {
    const my = own.get(row.ref)
    return my && changed(my) ? { ...my, rev: row.rev } : row
  })
  const there = new Set(theirs.map((row) => row.ref))
  const added = mine.filter((row) => row.ref === null || (!there.has(row.ref) && !row.removed && changed(row)))
  return [...kept, ...added.map((row) => ({ ...row, ref: null, rev: null }))]
}
