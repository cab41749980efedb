'use client'

import { Fragment, useMemo, useState } from 'react'
import { tableOf, linkWith } from '@/core/book'
import { type Difference, differences, type FormText, formTextOf, mergedForm, type Side } from '@/core/records'
import type { LiveRecord } from '@/server/live'
import { Button, Dialog, Segments } from '@/ui/kit'
import { useRecords } from '../records-context'
import { officeNow } from '@/app/office-now'

interface Props {
  readonly tableId: string
  readonly by: string
  /** The record as it is stored now. */
  readonly stored: LiveRecord
  /** What both began with. */
  readonly start: FormText
  readonly mine: FormText
  readonly onClose: () => void
  readonly onChoose: (text: FormText) => void
}

/** Two people changed one record: both versions, value by value, to choose from. Nothing is lost. */
export function ConflictDialog({ tableId, by, stored, start, mine, onClose, onChoose }: Props) {
  const { book } = useRecords()
  const versions = useMemo(
    () => ({ start, mine, theirs: formTextOf(book, tableId, stored, officeNow()) }),
    [book, tableId, stored, start, mine],
  )
  const all = useMemo(() => differences(book, tableId, versions), [book, tableId, versions])
  const [choices, setChoices] = useState<ReadonlyMap<string, Side>>(new Map())
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={`${by} changed this record while you were typing`}
      say={
        all.length > 0
          ? 'Choose for each value what to keep. What only one of you changed is chosen already; rows that either of you added are kept.'
          : 'You both made it the same. Rows that either of you added are kept.'
      }
      actions={
        <>
          <Button onClick={onClose}>Go on typing</Button>
          <Button look="main" onClick={() => onChoose(mergedForm(book, tableId, versions, choices))}>
            Save what is chosen
          </Button>
        </>
      }
    >
      {all.length > 0 && (
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
            {all.map((difference, at) => (
              <Fragment key={difference.id}>
                {difference.row && rowOf(difference) !== rowOf(all[at - 1]) && (
                  <tr className="border-b border-ash-3">
                    <th scope="rowgroup" colSpan={4} className="pt-3 pb-1 text-left font-bold">
                      {tableOf(book, linkWith(book, difference.row.link).many).name}:{' '}
                      {difference.row.words || 'no words'}
                    </th>
                  </tr>
                )}
                <Choosing
                  difference={difference}
                  choice={choices.get(difference.id) ?? difference.usual}
                  onChoice={(side) => setChoices(new Map([...choices, [difference.id, side]]))}
                />
              </Fragment>
            ))}
          </tbody>
        </table>
      )}
    </Dialog>
  )
}

/** The row that a difference is in: what its choice goes by, without the field. */
const rowOf = (difference: Difference | undefined) =>
  difference?.row && `${difference.row.link} ${difference.id.split('/').slice(0, 2).join('/')}`

interface ChoosingProps {
  readonly difference: Difference
  readonly choice: Side
  readonly onChoice: (side: Side) => void
}

function Choosing({ difference, choice, onChoice }: ChoosingProps) {
  const { field, row, mine, theirs } = difference
  const name = field?.name ?? 'The whole row'
  const shown = (words: string | undefined) =>
    words === undefined ? <i>removed</i> : words || <span className="text-ash-6">empty</span>
  return (
    <tr className="border-b border-ash-3 align-top">
      <th scope="row" className={row ? 'py-2 pr-3 pl-4 text-left font-normal' : 'py-2 pr-3 text-left'}>
        {name}
      </th>
      <td className="max-w-[220px] py-2 pr-3 break-words">{shown(mine)}</td>
      <td className="max-w-[220px] py-2 pr-3 break-words">{shown(theirs)}</td>
      <td className="py-1.5">
        <Segments
          small
          label={`Keep for ${row ? `${row.words}, ` : ''}${name}`}
          value={choice}
          options={[
            { value: 'mine', words: 'Yours' },
            { value: 'theirs', words: 'Theirs' },
          ]}
          onChange={onChoice}
        />
      </td>
    </tr>
  )
}
