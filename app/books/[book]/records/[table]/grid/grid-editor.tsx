'use client'

import { type KeyboardEvent, useLayoutEffect, useRef, useState } from 'react'
import { type Field, linkOf, type Table, tableOf } from '@/core/book'
import type { CellText, GridRow } from '@/core/grid'
import { kindOf, unmatched, unmatchedWords } from '@/core/kinds'
import { shownAs } from '@/core/records'
import { inSentence } from '@/core/words'
import { officeNow } from '@/app/office-now'
import { FieldControl, type LinkOption, type LinkSource } from '@/ui/controls'
import { noteLately } from '../../form/lately'
import { searchLinked } from '../../form/search-linked'
import { useRecords } from '../../records-context'
import type { Leaving } from './use-cursor'

interface Props {
  readonly table: Table
  readonly field: Field
  readonly row: GridRow
  /** Begun by a letter, which takes the place of what stood there. */
  readonly anew: boolean
  readonly spoken: string
  readonly onPut: (cell: CellText) => void
  readonly onLeave: (where: Leaving) => void
  /** Told of a name that is still being looked for when the cell is left. */
  readonly onSettling: (work: Promise<unknown>) => void
}

/** The box of one cell: the same control as in a form. */
export function GridEditor(props: Props) {
  const { table, field, row, anew, spoken, onPut, onLeave } = props
  const { book } = useRecords()
  const before = row.text[field.id] ?? ''
  const isLink = field.kind === 'link'
  const [text, setText] = useState(anew && !isLink && kindOf(field.kind).control !== 'choice' ? '' : before)
  const link = useLinkOfCell(props, before)
  const frame = useRef<HTMLDivElement>(null)
  const left = useRef(false)
  useLayoutEffect(() => {
    const box = frame.current?.querySelector<HTMLElement>('input, textarea, select')
    box?.focus()
    if (!anew && (box instanceof HTMLInputElement || box instanceof HTMLTextAreaElement)) box.select()
  }, [anew])

  /** Takes what stands in the box, as the book writes it. A link's words are taken by its own control. */
  const take = () => {
    if (isLink) return
    const shown = ['choice', 'tick'].includes(kindOf(field.kind).control)
      ? text
      : shownAs(book, table, field, text, officeNow())
    // Put there again where it is the same: whoever does so means it, whatever somebody else wrote meanwhile.
    onPut({ text: shown })
  }
  const leave = (where: Leaving) => {
    if (left.current) return
    left.current = true
    take()
    onLeave(where)
  }
  const onKeyDown = (event: KeyboardEvent) => {
    event.stopPropagation()
    if (event.key === 'Escape') {
      left.current = true
      onLeave('stay')
    } else if (event.key === 'Enter' && !(event.shiftKey && event.target instanceof HTMLTextAreaElement)) {
      event.preventDefault()
      leave(event.shiftKey ? 'up' : 'down')
    } else if (event.key === 'Tab') {
      event.preventDefault()
      leave(event.shiftKey ? 'before' : 'next')
    }
  }
  return (
    <div
      ref={frame}
      onKeyDown={onKeyDown}
      onBlur={(event) => {
        // The window lost the focus, not the box: one goes on typing afterwards.
        if (document.hasFocus() && !frame.current?.contains(event.relatedTarget)) setTimeout(() => leave('gone'))
      }}
      className="bg-paper [&_*]:outline-none [&_input]:rounded-none [&_select]:rounded-none [&_textarea]:min-h-8 [&_textarea]:rounded-none"
    >
      <FieldControl
        compact
        id="grid-editor"
        field={field}
        look={book.look}
        text={text}
        onText={setText}
        name={spoken}
        {...(link && { link })}
      />
    </div>
  )
}

/** A link's cell: what is chosen comes into it, and words that fit no one record stay there, marked. */
function useLinkOfCell({ field, row, onPut, onLeave, onSettling }: Props, before: string): LinkSource | undefined {
  const { id: bookId, book, base, addLinked } = useRecords()
  if (field.kind !== 'link') return undefined
  const target = tableOf(book, linkOf(book, field.id).one)
  const words = unmatchedWords(before)
  const pick = (option: LinkOption | undefined) => {
    if (option) noteLately(bookId, target.id, option)
    onPut({ text: option?.ref ?? '', label: option?.label ?? '' })
    onLeave('stay')
  }
  return {
    label: words ?? (before ? (row.labels[field.id] ?? before) : ''),
    noun: inSentence(target.name),
    search: (typed) => searchLinked(base, bookId, target, typed),
    onPick: pick,
    onMiss: (typed) => onPut({ text: unmatched(typed) }),
    onSettling,
    onAdd: (typed) => void addLinked({ table: target.id, words: typed }).then((added) => added && pick(added)),
  }
}
