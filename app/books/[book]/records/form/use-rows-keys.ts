import type { ClipboardEvent, KeyboardEvent } from 'react'
import { useFormContext } from 'react-hook-form'
import { toast } from 'sonner'
import type { Field } from '@/core/book'
import type { Now } from '@/core/kinds'
import type { FormText, Inset, RowText } from '@/core/records'
import { useRecords } from '../records-context'
import { noteArriving } from './arriving'
import { cellId } from './problems'
import { isBlock } from './is-block'

interface Rows {
  readonly inset: Inset
  readonly columns: readonly Field[]
  readonly now: Now
  readonly readOnly: boolean
  /** Adds a row; nothing where there is no room for one. */
  readonly add: (() => void) | undefined
  /** Puts other rows in the place of all. */
  readonly replace: (rows: never) => void
}

/** The cell of the rows that something is in. */
function cellOf(target: EventTarget) {
  const cell = target instanceof HTMLElement ? target.closest('[data-cell]')?.getAttribute('data-cell') : undefined
  const [at, field] = cell?.split(' ') ?? []
  return at !== undefined && field !== undefined ? { at: Number(at), field } : undefined
}

/** What the keys do in rows, and a block of cells that is pasted into them. */
export function useRowsKeys({ inset, columns, now, readOnly, add, replace }: Rows) {
  const { book, base } = useRecords()
  const form = useFormContext<FormText>()
  const name = `insets.${inset.link.id}` as const
  const rowsNow = () => (form.getValues(name as 'insets.x') as readonly RowText[] | undefined) ?? []
  const put = (rows: readonly RowText[]) => replace(structuredClone(rows) as never)

  const goTo = (at: number, field: string) => document.getElementById(cellId(inset.link.id, at, field))?.focus()

  /** The same column in the row below, or above; below the last a new one. */
  const step = (event: KeyboardEvent, by: 1 | -1) => {
    const cell = cellOf(event.target)
    const next = cell ? cell.at + by : -1
    if (!cell || next < 0 || !(event.target instanceof HTMLInputElement)) return
    const isThere = next < rowsNow().length
    // Where there is nothing to go to, Enter saves, as everywhere.
    if (!isThere && !add) return
    event.preventDefault()
    if (isThere) return goTo(next, cell.field)
    add?.()
    setTimeout(() => goTo(next, cell.field))
  }

  /** The value of the row above. */
  const repeat = (event: KeyboardEvent) => {
    const cell = cellOf(event.target)
    if (!cell) return
    event.preventDefault()
    event.stopPropagation()
    const above = rowsNow()[cell.at - 1]
    if (!above || readOnly) return
    const path = `${name}.${cell.at}`
    form.setValue(`${path}.labels.${cell.field}` as 'text.x', above.labels[cell.field] ?? '')
    form.setValue(`${path}.text.${cell.field}` as 'text.x', above.text[cell.field] ?? '', {
      shouldDirty: true,
      shouldValidate: true,
    })
  }

  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey) return
    const key = event.key.toLowerCase()
    if (event.altKey && key === 'a' && add) {
      event.preventDefault()
      add()
    } else if (event.altKey && key === 'r') repeat(event)
    else if (key === 'enter' && !event.altKey) step(event, event.shiftKey ? -1 : 1)
  }

  const onPaste = (event: ClipboardEvent) => {
    const cell = cellOf(event.target)
    const text = event.clipboardData.getData('text/plain')
    if (!cell || readOnly || inset.single || !isBlock(text, event.target instanceof HTMLTextAreaElement)) return
    event.preventDefault()
    const at = { ...{ base, book, inset, columns, now, cell }, rowsNow, put, check: () => form.trigger(name) }
    // What it takes comes with the first block.
    const work = import('./paste-block').then(({ pasteBlock }) => pasteBlock(text, at))
    noteArriving(
      form.control,
      work.catch(() => toast('It couldn’t be pasted: Hearth Table doesn’t answer. Paste it again in a moment.')),
    )
  }
  return { onKeyDown, onPaste }
}
