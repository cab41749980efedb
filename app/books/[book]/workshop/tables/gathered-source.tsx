'use client'

import { useState } from 'react'
import { type Field } from '@/core/book'
import {
  type Gathering,
  gatheringOf,
  storeTree,
  readSource,
  type RowsOffer,
  rowsOffered,
  sayTaken,
  writeGathering,
  writtenName,
} from '@/core/expressions'
import { inSentence, plural } from '@/core/words'
import { ChoiceBox, Labelled } from '@/ui/kit'
import { ExpressionBox } from '../expressions/expression-box'
import { useWorkshop } from '../workshop-context'
import type { SourceProps } from './source-props'

const takes = ['SUM', 'AVG', 'MIN', 'MAX'] as const

/** A count, a total or the like: which rows, what of them, and which of them count. */
export function GatheredSource(props: SourceProps) {
  const { table, field } = props
  const { book } = useWorkshop()
  const offers = rowsOffered(book, table)
  const kept = gatheringOf(book, field.source)
  const rows = offers.find((offer) => offer.link.id === kept?.link)
  if (offers.length > 0) return <Chosen {...props} offers={offers} kept={kept} rows={rows} />
  return (
    <p className="text-[13px] text-brass">
      No table links to {table.name} yet, so there are no rows to gather. Answer its pairings first.
    </p>
  )
}

interface ChosenProps extends SourceProps {
  readonly offers: readonly RowsOffer[]
  readonly kept: Gathering | undefined
  readonly rows: RowsOffer | undefined
}

function Chosen({ table, field, onChange, offers, kept, rows }: ChosenProps) {
  const { book } = useWorkshop()
  const [where, setWhere] = useState(kept?.where ?? '')
  const keep = (to: Partial<Gathering>) => {
    const next: Gathering = { link: '', name: 'COUNT', of: '', where: '', ...kept, ...to }
    const read = readSource(book, table, field, writeGathering(book, next))
    return 'tree' in read && onChange({ source: storeTree(read.tree) })
  }
  const read =
    rows && where.trim() ? readSource(book, table, field, writeGathering(book, { ...kept!, where })) : undefined
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        <Labelled label="Gathers, for each record, the" htmlFor={`${field.id}-rows`}>
          <ChoiceBox
            id={`${field.id}-rows`}
            value={kept?.link ?? ''}
            onChange={(event) => keep({ link: event.target.value, name: 'COUNT', of: '', where: '' }) && setWhere('')}
          >
            {!kept && <option value="">Choose rows …</option>}
            {offers.map((offer) => (
              <option key={offer.link.id} value={offer.link.id}>
                {plural(offer.table.name)}
                {offer.by && ` by ${offer.by}`}
              </option>
            ))}
          </ChoiceBox>
        </Labelled>
        {rows && kept && <What field={field} rows={rows} kept={kept} onKeep={keep} />}
      </div>
      {rows && (
        <ExpressionBox
          id={`${field.id}-where`}
          label={`Only ${plural(inSentence(rows.table.name))} where (optional)`}
          table={rows.table}
          within={rows.table.name}
          rows={2}
          source={where}
          placeholder={placeholderFor(rows)}
          wrong={read && 'problem' in read ? read : undefined}
          sound={read ? 'Only these count.' : undefined}
          onChange={setWhere}
          onLeave={(written) => written.trim() !== (kept?.where ?? '') && keep({ where: written })}
        />
      )}
    </>
  )
}

function What({
  field,
  rows,
  kept,
  onKeep,
}: {
  readonly field: Field
  readonly rows: RowsOffer
  readonly kept: Gathering
  readonly onKeep: (to: Partial<Gathering>) => boolean
}) {
  const inside = writtenName(rows.table.name)
  const of = (name: string) => `${inside}.${writtenName(name)}`
  return (
    <Labelled label="and takes" htmlFor={`${field.id}-takes`}>
      <ChoiceBox
        id={`${field.id}-takes`}
        value={kept.of ? `${kept.name} ${kept.of}` : 'COUNT'}
        onChange={(event) => {
          const [name, ...rest] = event.target.value.split(' ')
          onKeep({ name: name as Gathering['name'], of: rest.join(' ') })
        }}
      >
        <option value="COUNT">how many there are</option>
        {takes.flatMap((name) =>
          rows.fields
            .filter(({ adds }) => adds || name === 'MIN' || name === 'MAX')
            .map((one) => (
              <option key={`${name} ${one.field.id}`} value={`${name} ${of(one.field.name)}`}>
                the {sayTaken(name, one.adds)} {one.field.name}
              </option>
            )),
        )}
      </ChoiceBox>
    </Labelled>
  )
}

const placeholderFor = (rows: RowsOffer) => {
  const choice = rows.table.fields.find((field) => field.kind === 'choice' && field.choices?.length)
  const inside = writtenName(rows.table.name)
  return choice ? `${inside}.${writtenName(choice.name)} = '${choice.choices![0]!.word}'` : `${inside}."…" > 0`
}
