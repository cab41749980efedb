'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { officeNow } from '@/app/office-now'
import { type Book, type Form, type FormLines, freeName, tableOf } from '@/core/book'
import { conditionFaults, onForm, partNameOf, shownLines, startFaults, usualLines } from '@/core/forms'
import { formLayout } from '@/core/records'
import { sameJson, wordProblem } from '@/core/words'
import type { LiveRecord } from '@/server/live'
import { freshId } from '@/ui/ids'
import { useKeys } from '@/ui/use-keys'
import { useLeaving } from '@/ui/use-leaving'
import { useRecords } from '../records-context'
import { useDraft } from '../use-draft'
import { keepForm } from './actions'

export interface FormWish {
  readonly tableId: string
  /** As it is kept; none where it isn't yet. */
  readonly kept: Form | undefined
  /** The record that stands in it. */
  readonly stored: LiveRecord | undefined
}

export type FormDraft = ReturnType<typeof useFormDraft>

/** A form while it is arranged: every change can be taken back, and it is kept when it is said. */
export function useFormDraft({ tableId, kept, stored }: FormWish) {
  const { book, base, id: bookId } = useRecords()
  const router = useRouter()
  const [start] = useState<Form>(() => kept ?? newForm(book, tableId))
  const draft = useDraft(start)
  const [before, setBefore] = useState(kept)
  const form = draft.now
  const lines = shownLines(book, tableId, form)
  const isChanged = !before || !sameJson(before, form)
  useLeaving(isChanged && form !== start)
  const keep = async () => {
    const [fault] = startFaults(book, form, officeNow())
    // Every new record would begin with something wrong.
    if (fault) return void toast(`${fault.field.name}: ${wordProblem(fault.problem)}`)
    const [wrong] = conditionFaults(book, { table: tableId, lines, starts: form.starts })
    if (wrong) return void toast(`${partNameOf(book, tableId, wrong.part)}: ${wordProblem(wrong.problem)}`)
    const saved = await answered(keepForm(bookId, { form: { ...form, lines }, ...(before && { before }) }))
    if (!saved.ok) return void toast(wordProblem(saved.problem))
    setBefore(saved.value)
    draft.put(saved.value)
    toast('The form is kept.')
    const shown = stored ? `&record=${encodeURIComponent(stored.row.ref)}` : ''
    router.replace(`${base}/${tableId}/arrange?form=${saved.value.id}${shown}`)
    router.refresh()
  }
  const save = () => void keep()
  const undo = draft.mayUndo ? draft.undo : undefined
  const redo = draft.mayRedo ? draft.redo : undefined
  useKeys({ 'Ctrl S': () => isChanged && save() }, { 'Ctrl z': undo, 'Ctrl Z': undo, 'Ctrl y': redo, 'Ctrl Y': redo })
  return {
    ...{ form, lines, before, isChanged, undo, redo, save },
    /** Other lines; what isn't on them is left out. */
    change: (to: FormLines) => draft.change({ lines: to, without: leftOutOf(book, tableId, to) }),
    put: draft.change,
  }
}

/** A form to begin with: the first one as the program lays it out, or another beside those that there are. */
function newForm(book: Book, tableId: string): Form {
  const others = book.forms.filter((form) => form.table === tableId)
  const name = freeName(`${tableOf(book, tableId).name} form`, others)
  return { id: freshId(), table: tableId, name, lines: usualLines(book, tableId), without: [] }
}

/** The fields and rows of a table that lines don't have. */
function leftOutOf(book: Book, tableId: string, lines: FormLines): readonly string[] {
  const { rows, insets, foot } = formLayout(book, tableId)
  const there = onForm(lines)
  const all = [...rows.flat().map(({ field }) => field), ...foot, ...insets.map(({ link }) => link)]
  return all.map(({ id }) => id).filter((id) => !there.has(id))
}
