'use client'

import { Minus, Plus } from 'lucide-react'
import { fieldOf, formColumns, type FormPart, limits, tableOf } from '@/core/book'
import {
  changePart,
  findPart,
  groupsIn,
  leastSpan,
  leftOut,
  partNameOf,
  placePart,
  takeOut,
  widenPart,
} from '@/core/forms'
import { kindOf } from '@/core/kinds'
import { Button, ChoiceBox, IconButton, Labelled, PassageBox, TextBox, TickBox, UsualSegments } from '@/ui/kit'
import { useRecords } from '../records-context'
import { Counted } from './counted'
import type { PartProps } from './part-props'
import { RowsChoices } from './rows-choices'
import { WhenChoices } from './when-choices'

/** The choices of the part that is chosen. */
export function PartChoices(props: Omit<PartProps, 'put'>) {
  const { book } = useRecords()
  const { part, lines, starts, change, tableId } = props
  const put = (to: object) => change(changePart(lines, part.id, to))
  const already = new Set(leftOut(book, tableId, lines).map(({ id }) => id))
  const cost = leftOut(book, tableId, takeOut(lines, part.id), starts).filter(({ id }) => !already.has(id))
  return (
    <div className="flex flex-col gap-3 text-[13px]">
      <h2 className="text-[15px] [overflow-wrap:anywhere]">{partNameOf(book, tableId, part)}</h2>
      <Own {...props} put={put} />
      <Width {...props} put={put} />
      <InGroup {...props} put={put} />
      <WhenChoices {...props} put={put} />
      <div>
        <Button small onClick={() => props.leaveOut(part.id)}>
          Remove from the form
        </Button>
        {cost.map((one) => (
          <p key={one.id} className="pt-1 text-xs text-ash-6">
            {one.cost}
          </p>
        ))}
      </div>
    </div>
  )
}

function Own(props: PartProps) {
  const { part } = props
  switch (part.kind) {
    case 'field':
      return <FieldChoices {...props} part={part} />
    case 'rows':
      return <RowsChoices {...props} part={part} />
    case 'linked':
      return <Words {...props} name="label" label="Label" value={part.label} />
    case 'group':
      return (
        <>
          <Words {...props} name="heading" label="Heading" value={part.heading} />
          <TickBox
            id="part-folded"
            checked={part.folded === true}
            label="Folded at first"
            onChange={(folded) => props.put({ folded: folded || undefined })}
          />
        </>
      )
    case 'words':
      return <SomeWords {...props} part={part} />
    case 'totals':
    case 'line':
      return null
  }
}

/** A few words of one's own, in place of those that the table has. */
function Words({
  put,
  part,
  name,
  label,
  value,
  usual,
}: PartProps & { name: string; label: string; value: string | undefined; usual?: string }) {
  return (
    <Labelled label={label} htmlFor={`part-${name}`}>
      <TextBox
        key={part.id}
        id={`part-${name}`}
        defaultValue={value ?? ''}
        maxLength={limits.nameLength}
        placeholder={usual}
        onChange={(event) => put({ [name]: event.target.value.trim() || undefined })}
      />
    </Labelled>
  )
}

function FieldChoices({ part, put, tableId, ...props }: PartProps<Extract<FormPart, { kind: 'field' }>>) {
  const { book } = useRecords()
  const field = fieldOf(tableOf(book, tableId), part.id)
  const { control } = kindOf(field.kind)
  const isTall = control === 'passage' || (control === 'file' && field.picturesOnly === true)
  return (
    <>
      <Words
        {...props}
        tableId={tableId}
        part={part}
        put={put as PartProps['put']}
        name="label"
        label="Label"
        value={part.label}
        usual={field.name}
      />
      <Labelled label="Help beneath it" htmlFor="part-help">
        <PassageBox
          key={part.id}
          id="part-help"
          rows={2}
          defaultValue={part.help ?? ''}
          maxLength={limits.describeLength}
          placeholder={field.note}
          onChange={(event) => put({ help: event.target.value.trim() || undefined })}
        />
      </Labelled>
      <UsualSegments
        label="Label stands"
        value={part.labelled}
        usual="above"
        options={['above', 'beside', 'inside']}
        onChange={(labelled) => put({ labelled })}
      />
      {isTall && (
        <Counted
          label={control === 'file' ? 'Height of the picture, in lines' : 'Height, in lines'}
          value={part.tall ?? (control === 'file' ? 0 : 3)}
          least={control === 'file' ? 0 : 1}
          most={limits.formTall}
          onChange={(tall) => put({ tall: tall === (control === 'file' ? 0 : 3) ? undefined : tall })}
        />
      )}
    </>
  )
}

function SomeWords({ part, put }: PartProps<Extract<FormPart, { kind: 'words' }>>) {
  return (
    <>
      <Labelled label="Words" htmlFor="part-words">
        <PassageBox
          key={part.id}
          id="part-words"
          defaultValue={part.words}
          maxLength={limits.describeLength}
          onChange={(event) => event.target.value.trim() && put({ words: event.target.value.trim() })}
        />
      </Labelled>
      <UsualSegments
        label="They look"
        value={part.look}
        usual="plain"
        options={['heading', 'plain', 'small']}
        onChange={(look) => put({ look })}
      />
    </>
  )
}

function Width({ part, lines, change }: PartProps) {
  const by = (columns: number) => change(widenPart(lines, part.id, columns))
  const wider = widenPart(lines, part.id, 1)
  return (
    <div className="flex items-center gap-1.5">
      <span className="text-ash-6">Width</span>
      <IconButton label="Narrower" disabled={part.span <= leastSpan[part.kind]} onClick={() => by(-1)}>
        <Minus size={14} aria-hidden />
      </IconButton>
      <span role="status">
        {part.span} of {formColumns} columns
      </span>
      <IconButton label="Wider" disabled={findPart(wider, part.id)?.part.span === part.span} onClick={() => by(1)}>
        <Plus size={14} aria-hidden />
      </IconButton>
    </div>
  )
}

function InGroup({ part, lines, change, tableId }: PartProps) {
  const { book } = useRecords()
  const groups = groupsIn(lines)
  if (part.kind === 'group' || groups.length === 0) return null
  const at = findPart(lines, part.id)?.group?.id ?? ''
  const move = (to: string) => {
    const group = groups.find(({ id }) => id === to)
    const out = findPart(lines, at)?.line ?? lines.length
    change(placePart(lines, part.id, group ? { group: to, line: group.lines.length } : { line: out + 1 }))
  }
  return (
    <Labelled label="In the group" htmlFor="part-group">
      <ChoiceBox id="part-group" value={at} onChange={(event) => move(event.target.value)}>
        <option value="">none</option>
        {groups.map((group) => (
          <option key={group.id} value={group.id}>
            {partNameOf(book, tableId, group)}
          </option>
        ))}
      </ChoiceBox>
    </Labelled>
  )
}
