'use client'

import { ChevronRight } from 'lucide-react'
import { type ComponentType, type CSSProperties, type ReactNode, useState } from 'react'
import { useFormState } from 'react-hook-form'
import { fieldOf, formColumns, type FormGroup, type FormLines, type FormPart, tableOf } from '@/core/book'
import { onForm } from '@/core/forms'
import type { Now } from '@/core/kinds'
import { formLayout, type FormText } from '@/core/records'
import { nth } from '@/core/words'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'
import { FieldCell } from './field-cell'
import { FormFoot } from './form-foot'
import { InsetGrid } from './inset-grid'
import { LinkedCell } from './linked-cell'
import { useFormNow } from './live-facts'
import { isMarked } from './problems'

/** What stands around a part: its place in its line, and where a form is arranged, the handles for that. */
export type PartFrame = ComponentType<{
  readonly part: FormPart
  readonly style: CSSProperties
  readonly className: string
  readonly children: ReactNode
}>

/** What all parts of a form share. */
export interface FormAt {
  readonly tableId: string
  readonly now: Now
  /** Already in the database. */
  readonly stored: boolean
  /** Whether a box, or the rows where none is named, may not be changed. */
  readonly isClosed: (field?: string) => boolean
  /** Groups that are folded elsewhere stand open here. */
  readonly unfolded?: boolean
  readonly Frame?: PartFrame
}

/** The lines of a form, each of parts on twelve columns; in a narrow place they flow. What doesn't show leaves its place empty. */
export function FormLinesOf({ lines, at }: { readonly lines: FormLines; readonly at: FormAt }) {
  const { hidden } = useFormNow()
  const shows = ({ id }: FormPart) => at.Frame !== undefined || !hidden.has(id)
  return (
    <div className="@container/form flex flex-col gap-(--form-room,1rem)">
      {lines
        .filter((line) => line.some(shows))
        .map((line) => (
          <div key={nth(line, 0).id} className="grid grid-cols-12 gap-x-3.5 gap-y-(--form-room,1rem)">
            {placed(line)
              .filter(({ part }) => shows(part))
              .map(({ part, style }) => (
                <Framed key={part.id} part={part} style={style} at={at} />
              ))}
          </div>
        ))}
    </div>
  )
}

/** Where each part of a line begins and how wide it is; where there is little room, what little it needs at least. */
function placed(line: readonly FormPart[]) {
  let column = 1
  return line.map((part) => {
    const from = column + (part.gap ?? 0)
    column = from + part.span
    const style = { '--from': from, '--span': part.span, '--flow': flowing(line, part) } as CSSProperties
    return { part, style }
  })
}

/** How wide a part is where there is little room: two boxes share a line, all else is at least half as wide. */
const flowing = (line: readonly FormPart[], { span }: FormPart): number =>
  line.length === 2 && line.every(({ kind }) => kind !== 'rows' && kind !== 'group')
    ? formColumns / 2
    : Math.max(span, formColumns / 2)

const cellLook =
  'col-span-12 min-w-0 @min-[20rem]/form:[grid-column:span_var(--flow)] @min-[30rem]/form:[grid-column:var(--from)_/_span_var(--span)]'

const PlainFrame: PartFrame = ({ part, style, className, children }) => (
  <div data-field={part.id} className={className} style={style}>
    {children}
  </div>
)

function Framed({ part, style, at }: { readonly part: FormPart; readonly style: CSSProperties; readonly at: FormAt }) {
  const Frame = at.Frame ?? PlainFrame
  return (
    <Frame part={part} style={style} className={cellLook}>
      <Part part={part} at={at} />
    </Frame>
  )
}

function Part({ part, at }: { readonly part: FormPart; readonly at: FormAt }) {
  const { book } = useRecords()
  const { musts, onlyRead } = useFormNow()
  const table = tableOf(book, at.tableId)
  switch (part.kind) {
    case 'field':
      return (
        <FieldCell
          table={table}
          field={fieldOf(table, part.id)}
          part={part}
          stored={at.stored}
          must={musts.has(part.id)}
          readOnly={at.isClosed(part.id) || onlyRead.has(part.id)}
        />
      )
    case 'rows': {
      const inset = formLayout(book, table.id).insets.find(({ link }) => link.id === part.id)
      return (
        inset && <InsetGrid inset={inset} part={part} now={at.now} readOnly={at.isClosed() || onlyRead.has(part.id)} />
      )
    }
    case 'totals':
      return <FormFoot fields={part.fields.map((id) => fieldOf(table, id))} />
    case 'linked':
      return <LinkedCell table={table} part={part} />
    case 'words':
      return <Words {...part} />
    case 'line':
      return <hr className="my-1 border-ash-4" />
    case 'group':
      return <Group group={part} at={at} />
  }
}

const Words = ({ words, look }: Extract<FormPart, { kind: 'words' }>) =>
  look === 'heading' ? (
    <h2 className="pt-1 [overflow-wrap:anywhere] text-(--form-words,inherit)">{words}</h2>
  ) : (
    <p className={classNames('[overflow-wrap:anywhere] whitespace-pre-line', look === 'small' && 'text-xs text-ash-6')}>
      {words}
    </p>
  )

/** Whether something in a group is marked wrong: it must be in sight then. */
function useWrongWithin(group: FormGroup): boolean {
  const { errors } = useFormState<FormText>()
  return [...onForm(group.lines)].some((id) => isMarked(errors, id))
}

/** Parts that belong together, under their heading; folded, they stay in the form and keep what is typed. */
function Group({ group, at }: { readonly group: FormGroup; readonly at: FormAt }) {
  const [isOpen, setOpen] = useState(!group.folded)
  const isWrong = useWrongWithin(group)
  const open = isOpen || isWrong || at.unfolded === true
  if (group.lines.length === 0 && !at.Frame) return null
  const heading = group.heading ?? (group.folded ? 'More' : undefined)
  const id = `${group.id}-parts`
  return (
    <section aria-label={heading} className="rounded-lg border border-ash-3 bg-(--form-ground,transparent) px-3.5 py-3">
      {group.folded ? (
        <h2 className="text-(--form-words,inherit)">
          <button
            type="button"
            aria-expanded={open}
            aria-controls={id}
            onClick={() => setOpen(!isOpen)}
            className="flex min-h-7 w-full items-center gap-1.5 rounded-sm text-left"
          >
            <ChevronRight size={15} aria-hidden className={classNames('flex-none', open && 'rotate-90')} />
            {heading}
          </button>
        </h2>
      ) : (
        heading && <h2 className="pb-2.5 text-(--form-words,inherit)">{heading}</h2>
      )}
      <div id={id} hidden={!open} className={classNames(group.folded && 'pt-2.5')}>
        {group.lines.length > 0 ? (
          <FormLinesOf lines={group.lines} at={at} />
        ) : (
          at.Frame && <p className="text-[13px] text-ash-6">Nothing in it yet. Drag something here.</p>
        )}
      </div>
    </section>
  )
}
