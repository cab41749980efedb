'use client'

import { X } from 'lucide-react'
import { type FormEvent, useMemo, useState } from 'react'
import { type Figure, type Group, limits, type List, type Place, type Table, tableOf } from '@/core/book'
import {
  firstGroup,
  groupablesOf,
  groupOrders,
  type ReadColumn,
  type StepChoice,
  stepChoices,
  usualFigures,
} from '@/core/lists'
import { inSentence, plural, sameJson } from '@/core/words'
import { Button, ChoiceBox, Dialog, IconButton, TextBox } from '@/ui/kit'
import { useRecords } from '../records-context'
import { Beneath } from './beneath'
import { readFirst } from './first-box'

interface Props {
  readonly list: List
  readonly columns: readonly ReadColumn[]
  readonly onClose: () => void
  readonly onKeep: (to: Pick<Partial<List>, 'groups' | 'figures' | 'shown'>) => void
}

/** By what records are put together, and what stands beneath the columns. */
export function GroupsDialog({ list, columns, onClose, onKeep }: Props) {
  const { book } = useRecords()
  const table = tableOf(book, list.table)
  const [groups, setGroups] = useState<readonly (Group | undefined)[]>(list.groups ?? [undefined])
  const [figures, setFigures] = useState(list.figures ?? (list.groups ? [] : usualFigures(columns)))
  const chosen = groups.filter((group) => group !== undefined)
  const isWrong = chosen.some(({ step }) => typeof step === 'object' && !isStep(step.every))
  const keep = (event: FormEvent) => {
    event.preventDefault()
    if (isWrong) return
    // An order by what no longer stands beneath a column goes with it.
    const there = (group: Group) =>
      group.by && 'column' in group.by && !figures.some(({ column }) => sameJson({ column }, group.by))
    const kept = chosen.map((group) => (there(group) ? { ...group, by: undefined } : group))
    onKeep({
      groups: kept.length > 0 ? kept.map(tidy) : undefined,
      figures: figures.length > 0 ? figures : undefined,
      shown: shownOf(list, kept.length, figures),
    })
  }
  const set = (at: number, to: Group | undefined) => setGroups(groups.map((one, place) => (place === at ? to : one)))
  const noun = plural(inSentence(table.name))
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={`Put ${noun} together by …`}
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" form="list-groups" disabled={isWrong}>
            {chosen.length > 0 ? 'Group them' : 'Show them'}
          </Button>
        </>
      }
    >
      <form id="list-groups" onSubmit={keep} className="mt-2">
        <ol className="flex flex-col gap-2">
          {groups.map((group, at) => (
            <GroupRow
              key={at}
              at={at}
              table={table}
              group={group}
              figures={figures}
              columns={columns}
              onChange={(to) => set(at, to)}
              onRemove={() => setGroups(groups.filter((_, place) => place !== at))}
            />
          ))}
        </ol>
        {groups.length < limits.groups && groups.at(-1) !== undefined && (
          <Button small className="mt-3" onClick={() => setGroups([...groups, undefined])}>
            And within these by something else
          </Button>
        )}
        {groups.length === 0 && (
          <Button small onClick={() => setGroups([undefined])}>
            Group by something
          </Button>
        )}
        <Beneath table={table} columns={columns} figures={figures} onChange={setFigures} />
      </form>
    </Dialog>
  )
}

/** How it was shown, as far as that still can be. */
function shownOf({ shown }: List, groups: number, figures: readonly Figure[]): List['shown'] {
  if (!shown || groups === 0 || (shown.as === 'crossed' && groups < 2)) return undefined
  const { of } = shown
  return 'column' in of && !figures.some(({ column }) => column === of.column)
    ? { ...shown, of: { size: true } }
    : shown
}

const isStep = (every: string) => /^(?=.*[1-9])\d{1,9}(\.\d{1,4})?$/.test(every)
/** What is undefined isn't there, as in JSON. */
const tidy = (group: Group): Group => JSON.parse(JSON.stringify(group)) as Group

interface RowProps {
  readonly at: number
  readonly table: Table
  readonly group: Group | undefined
  readonly figures: readonly Figure[]
  readonly columns: readonly ReadColumn[]
  readonly onChange: (group: Group | undefined) => void
  readonly onRemove: () => void
}

function GroupRow({ at, table, group, figures, columns, onChange, onRemove }: RowProps) {
  const { book } = useRecords()
  const groupables = useMemo(() => groupablesOf(book, table), [book, table])
  const choose = (text: string) =>
    onChange(text === '' ? undefined : firstGroup(book, table, JSON.parse(text) as Place))
  const name = at === 0 ? 'By' : 'Then by'
  const orders = group ? groupOrders(book, table, group.place, figures, columns) : []
  const order = orders.findIndex(([one]) =>
    sameJson(one, { ...(group?.by && { by: group.by }), ...(group?.down && { down: group.down }) }),
  )
  return (
    <li className="flex flex-wrap items-center gap-2">
      <span className="w-14 text-[13px] text-ash-6">{name}</span>
      <ChoiceBox
        aria-label={at === 0 ? 'Group by' : `Then group by, ${at + 1}`}
        value={group ? JSON.stringify(group.place) : ''}
        onChange={(event) => choose(event.target.value)}
        className="!w-[190px]"
      >
        <option value="">Choose …</option>
        {[...new Set(groupables.map(({ of }) => of))].map((of) => (
          <optgroup key={of} label={of}>
            {groupables
              .filter((one) => one.of === of)
              .map(({ place, words }) => (
                <option key={JSON.stringify(place)} value={JSON.stringify(place)}>
                  {words}
                </option>
              ))}
          </optgroup>
        ))}
      </ChoiceBox>
      {group && <StepBox at={at} table={table} group={group} onChange={onChange} />}
      {group && (
        <ChoiceBox
          aria-label={`In which order, ${at + 1}`}
          value={Math.max(0, order)}
          onChange={(event) =>
            onChange({
              place: group.place,
              ...(group.step && { step: group.step }),
              ...(group.first && { first: group.first }),
              ...orders[Number(event.target.value)]?.[0],
            })
          }
          className="!w-auto min-w-[190px] flex-1"
        >
          {orders.map(([, words], place) => (
            <option key={words} value={place}>
              {words}
            </option>
          ))}
        </ChoiceBox>
      )}
      {group && (
        <TextBox
          aria-label={`Only the first groups, ${at + 1}`}
          placeholder="all"
          title="Only so many groups, the first in this order"
          inputMode="numeric"
          value={group.first ?? ''}
          onChange={(event) => {
            const first = readFirst(event.target.value)
            if (first !== 'wrong') onChange({ ...group, first })
          }}
          className="!w-[64px]"
        />
      )}
      <IconButton label={`Not by this, ${at + 1}`} onClick={onRemove}>
        <X size={14} aria-hidden />
      </IconButton>
    </li>
  )
}

function StepBox({
  at,
  table,
  group,
  onChange,
}: Pick<RowProps, 'at' | 'table' | 'onChange'> & { readonly group: Group }) {
  const { book } = useRecords()
  const choices = stepChoices(book, table, group.place)
  if (choices.length < 2) return null
  const { step, ...rest } = group
  const now: StepChoice = step === undefined ? 'each' : typeof step === 'string' ? step : 'every'
  const choose = (to: StepChoice) =>
    onChange(to === 'each' ? rest : { ...rest, step: to === 'every' ? { every: '100' } : to })
  return (
    <>
      <ChoiceBox
        aria-label={`How they are put together, ${at + 1}`}
        value={now}
        onChange={(event) => choose(event.target.value as StepChoice)}
        className="!w-[205px]"
      >
        {choices.map(([choice, words]) => (
          <option key={choice} value={choice}>
            {words}
          </option>
        ))}
      </ChoiceBox>
      {typeof step === 'object' && (
        <TextBox
          aria-label={`Steps of, ${at + 1}`}
          inputMode="decimal"
          value={step.every}
          aria-invalid={!isStep(step.every) || undefined}
          onChange={(event) => onChange({ ...rest, step: { every: event.target.value.trim() } })}
          className="!w-[90px]"
        />
      )}
      {typeof step === 'object' && !isStep(step.every) && (
        <span role="alert" className="text-[13px] text-ember">
          Write a number above 0, such as 100 or 0.5.
        </span>
      )}
    </>
  )
}
