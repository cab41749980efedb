'use client'

import { useState } from 'react'
import { type Field, findLink, partName, tableOf } from '@/core/book'
import {
  changesWith,
  derivedOf,
  factsOffered,
  storeTree,
  readFreezing,
  readSource,
  recheckStored,
  speaksOf,
  writtenStored,
} from '@/core/expressions'
import { isTyped } from '@/core/kinds'
import { inSentence, listed, plural, wordProblem } from '@/core/words'
import { ChoiceBox, Labelled } from '@/ui/kit'
import { ExpressionBox } from '../expressions/expression-box'
import { useWorkshop } from '../workshop-context'
import { GatheredSource } from './gathered-source'
import type { SourceProps } from './source-props'

/** What a derived field is made from, said in the way that suits its kind. */
export function DerivedSettings(props: SourceProps) {
  const { kind } = props.field
  return (
    <div className="flex flex-col gap-3">
      {kind === 'gathered' ? (
        <GatheredSource {...props} />
      ) : kind === 'workedOut' ? (
        <Written {...props} />
      ) : (
        <Taken {...props} />
      )}
      <MadeFrom {...props} />
    </div>
  )
}

/** A fact of a linked record: chosen from those that can be reached. */
function Taken({ table, field, onChange }: SourceProps) {
  const { book } = useWorkshop()
  const offers = factsOffered(book, table)
  const source = writtenStored(book, field.source)
  const ways = [...new Set(offers.map((offer) => offer.through))]
  const keep = (written: string) => {
    const read = readSource(book, table, field, written)
    return 'tree' in read && onChange({ source: storeTree(read.tree) })
  }
  if (offers.length === 0)
    return (
      <p className="text-[13px] text-brass">
        {table.name} has no link yet, so there is no record to take a value from. Answer its pairings first.
      </p>
    )
  return (
    <Labelled
      label={field.kind === 'copied' ? 'Copies' : 'Shows'}
      htmlFor={`${field.id}-source`}
      hint={
        field.kind === 'copied'
          ? 'Taken when the link is made, and kept from then on whatever becomes of it there.'
          : 'Always as it is there now.'
      }
    >
      <ChoiceBox id={`${field.id}-source`} value={source} onChange={(event) => keep(event.target.value)}>
        {!offers.some((offer) => offer.source === source) && <option value={source}>Choose a field …</option>}
        {ways.map((way) => (
          <optgroup key={way} label={way}>
            {offers
              .filter((offer) => offer.through === way)
              .map((offer) => (
                <option key={offer.source} value={offer.source}>
                  {offer.words}
                </option>
              ))}
          </optgroup>
        ))}
      </ChoiceBox>
    </Labelled>
  )
}

/** An expression, and when it freezes. */
function Written({ table, field, onChange }: SourceProps) {
  const { book } = useWorkshop()
  const kept = writtenStored(book, field.source)
  const keptFreezes = writtenStored(book, field.freezes)
  const [source, setSource] = useState(kept)
  const [freezes, setFreezes] = useState(keptFreezes)
  // What is stored may say more than its text can: of two links that lead here, which one.
  const read =
    source === kept && field.source !== undefined
      ? recheckStored(book, table, field.source)
      : readSource(book, table, field, source)
  const frozen = readFreezing(book, table, freezes)
  const leave = (written: string) => {
    const said = readSource(book, table, field, written)
    if ('tree' in said && written.trim() !== kept) onChange({ source: storeTree(said.tree) })
  }
  const leaveFreezes = (written: string) => {
    if (written.trim() === keptFreezes) return
    const said = readFreezing(book, table, written)
    if (!written.trim()) onChange({ freezes: null })
    else if ('tree' in said) onChange({ freezes: storeTree(said.tree) })
  }
  return (
    <>
      <ExpressionBox
        id={`${field.id}-source`}
        offered={table.fields.filter((one) => one.id !== field.id)}
        label="Calculated as"
        hint="Calculate with fields, e.g. Quantity × Price, written Quantity * Price. Join texts with ||, choose with CASE WHEN … THEN … ELSE … END."
        table={table}
        rows={2}
        source={source}
        placeholder='Quantity * "Price each"'
        wrong={source.trim() && 'problem' in read ? read : undefined}
        sound={'tree' in read ? 'It can be kept.' : undefined}
        tries={'tree' in read ? { table, tree: read.tree } : undefined}
        onChange={setSource}
        onLeave={leave}
      />
      <ExpressionBox
        id={`${field.id}-freezes`}
        offered={table.fields.filter(isTyped)}
        label="Stop updating once (optional)"
        table={table}
        rows={1}
        source={freezes}
        placeholder="State = 'done'"
        wrong={freezes.trim() && 'problem' in frozen ? frozen : undefined}
        sound={'tree' in frozen ? 'From then on it keeps what it was at that moment.' : undefined}
        onChange={setFreezes}
        onLeave={leaveFreezes}
      />
    </>
  )
}

/** What it changes with, what changes with it, or why it can't be computed. */
function MadeFrom({ field }: SourceProps) {
  const { book } = useWorkshop()
  const made = field.source === undefined ? undefined : derivedOf(book, field.id)
  if (made && 'problem' in made) return <p className="text-[13px] text-ember">{wordProblem(made.problem)}</p>
  const name = (id: string) => {
    const link = findLink(book, id)
    return link ? `the ${plural(inSentence(tableOf(book, link.many).name))} that there are` : partName(book, id)
  }
  // Facts before the rows that they are facts of.
  const spoken = speaksOf(book, field.id)
  const from = [false, true].flatMap((rows) => spoken.filter((id) => Boolean(findLink(book, id)) === rows).map(name))
  const to = changesWith(book, field.id).map((id) => partName(book, id))
  return (
    <p className="text-[13px] text-ash-6">
      {from.length > 0 && `Changes with ${listed(from)}.`}{' '}
      {to.length > 0 && `${listed(to)} ${to.length === 1 ? 'changes' : 'change'} with it.`}
    </p>
  )
}

/** What is derived from a field that is typed, for its editor. */
export function DerivedFromIt({ field }: { readonly field: Field }) {
  const { book } = useWorkshop()
  const to = changesWith(book, field.id).map((id) => partName(book, id))
  return to.length === 0 ? null : (
    <p className="text-[13px] text-ash-6">
      {listed(to)} {to.length === 1 ? 'changes' : 'change'} with it.
    </p>
  )
}
