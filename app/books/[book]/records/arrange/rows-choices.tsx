'use client'

import { type FormPart, limits } from '@/core/book'
import { canSum, rowColumns } from '@/core/forms'
import { kindOf } from '@/core/kinds'
import { formLayout } from '@/core/records'
import { plural } from '@/core/words'
import { Labelled, OrderedTicks, Segments, TextBox, TickBox } from '@/ui/kit'
import { useRecords } from '../records-context'
import { Counted } from './counted'
import type { PartProps } from './part-props'

/** Which columns inset rows have, how many are in sight, and what they come to beneath. */
export function RowsChoices({ tableId, part, put }: PartProps<Extract<FormPart, { kind: 'rows' }>>) {
  const { book } = useRecords()
  const inset = formLayout(book, tableId).insets.find(({ link }) => link.id === part.id)
  if (!inset) return null
  const all = inset.fields.filter((field) => kindOf(field.kind).control !== 'given')
  const shown = rowColumns(inset, part)
  const ordered = [...shown, ...all.filter((field) => !shown.includes(field))]
  const columns = (ids: readonly string[]) =>
    put({ columns: ids.length === all.length && ids.every((id, at) => all[at]?.id === id) ? undefined : ids })
  const tick = (id: string, ticked: boolean) => {
    const ids = shown.map((field) => field.id)
    columns(ticked ? [...ids, id] : ids.filter((one) => one !== id))
  }
  const place = (id: string, before: string | null) => {
    const ids = ordered.map((field) => field.id).filter((one) => one !== id)
    const placed = ids.toSpliced(before === null ? ids.length : ids.indexOf(before), 0, id)
    columns(placed.filter((one) => one === id || shown.some((field) => field.id === one)))
  }
  const sums = part.sums ?? []
  const sum = (id: string, ticked: boolean) => {
    const now = ticked ? [...sums, id] : sums.filter((one) => one !== id)
    put({ sums: now.length > 0 ? now : undefined })
  }
  const summable = all.filter((field) => canSum(book, field))
  return (
    <>
      <Labelled label="Heading" htmlFor="part-label">
        <TextBox
          key={part.id}
          id="part-label"
          defaultValue={part.label ?? ''}
          maxLength={limits.nameLength}
          placeholder={plural(inset.table.name)}
          onChange={(event) => put({ label: event.target.value.trim() || undefined })}
        />
      </Labelled>
      <Segments
        small
        label="Each row"
        value={part.cards ? 'cards' : 'grid'}
        options={[
          { value: 'grid', words: 'in a grid' },
          { value: 'cards', words: 'on a card' },
        ]}
        onChange={(way) => put({ cards: way === 'cards' ? true : undefined })}
      />
      <Counted
        label="Rows in sight"
        value={part.shown ?? 0}
        least={0}
        most={limits.formRowsShown}
        onChange={(rows) => put({ shown: rows === 0 ? undefined : rows })}
      />
      <OrderedTicks
        name="part-column"
        legend="What of each row, in this order"
        ways={['further left', 'further right']}
        all={ordered.map((field) => ({
          ...{ id: field.id, words: field.name, ticked: shown.includes(field) },
          held: shown.length === 1 && shown.includes(field),
        }))}
        onTick={tick}
        onPlace={place}
      />
      {summable.length > 0 && (
        <fieldset className="flex flex-col items-start">
          <legend className="pb-1 text-ash-6">In all, beneath them</legend>
          {summable.map((field) => (
            <TickBox
              key={field.id}
              id={`part-sum-${field.id}`}
              checked={sums.includes(field.id)}
              label={
                <>
                  {field.name}
                  <span className="sr-only"> in all</span>
                </>
              }
              onChange={(ticked) => sum(field.id, ticked)}
            />
          ))}
        </fieldset>
      )}
    </>
  )
}
