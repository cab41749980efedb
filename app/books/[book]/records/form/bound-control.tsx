'use client'

import { useLayoutEffect, useRef, useState } from 'react'
import { useController, useFormContext } from 'react-hook-form'
import { toast } from 'sonner'
import { type Field, linkOf, tableOf } from '@/core/book'
import { kindOf, showValue, unmatchedWords, workedOut } from '@/core/kinds'
import type { FormText } from '@/core/records'
import { inSentence, type Result, wordProblem } from '@/core/words'
import type { StoredFile } from '@/server/live'
import { FieldControl, type FileSource, type LinkOption, type LinkSource } from '@/ui/controls'
import { afterPress } from '@/ui/after-press'
import { noteArriving } from './arriving'
import { noteLately } from './lately'
import { sayMissed, searchLinked } from './search-linked'
import { useRecords } from '../records-context'
import { officeNow } from '@/app/office-now'

type TextPath = `text.${string}` | `insets.${string}.${number}.text.${string}`
type LabelPath = `labels.${string}` | `insets.${string}.${number}.labels.${string}`

interface Props {
  readonly name: TextPath
  readonly labelName: LabelPath
  readonly id: string
  readonly field: Field
  readonly invalid: boolean
  readonly readOnly: boolean
  readonly compact?: boolean
  readonly tall?: number | undefined
  /** A name for a control in a grid, which has no label beside it. */
  readonly spoken?: string
}

/** A field's control tied to the form: its text, its link's records, its file. */
export function BoundControl({ name, labelName, id, field, invalid, readOnly, compact, tall, spoken }: Props) {
  const { book } = useRecords()
  const { control, setValue } = useFormContext<FormText>()
  const { field: box } = useController({ control, name })
  const text = typeof box.value === 'string' ? box.value : ''
  // What is found or sent arrives later: its row may stand elsewhere by then, or be taken out, and must not come back half.
  const place = useRef<{ readonly labelName: LabelPath; readonly change: (text: string) => void }>(undefined)
  useLayoutEffect(() => {
    place.current = { labelName, change: box.onChange }
    return () => {
      place.current = undefined
    }
  }, [labelName, box.onChange])
  const put = (value: string, label: string) => {
    if (!place.current) return
    setValue(place.current.labelName as `labels.${string}`, label)
    place.current.change(value)
  }
  const link = useLinkSource(field, labelName, text, put, readOnly, id)
  const file = useFileSource(field, labelName, text, put)

  const onBlur = () => {
    // What could be read is written again the way the book writes it: "12/3/2027" becomes "12 Mar 2027", "3*12.50" what it comes to.
    const kind = kindOf(field.kind)
    if (text.trim() && !['link', 'file', 'tick', 'choice'].includes(kind.control)) {
      const read = kind.read(workedOut(text, field, book.look), field, book.look, officeNow())
      const shown = read.ok ? showValue(read.value, field, book.look) : text
      if (shown !== text) box.onChange(shown)
    }
    afterPress(() => place.current && box.onBlur())
  }
  return (
    <FieldControl
      id={id}
      field={field}
      look={book.look}
      text={text}
      onText={box.onChange}
      onBlur={onBlur}
      invalid={invalid}
      readOnly={readOnly}
      {...(compact && { compact })}
      {...(tall && { tall })}
      {...(spoken && { name: spoken })}
      {...(link && { link })}
      {...(file && { file })}
    />
  )
}

function useLinkSource(
  field: Field,
  labelName: LabelPath,
  ref: string,
  put: (ref: string, label: string) => void,
  readOnly: boolean,
  id: string,
): LinkSource | undefined {
  const { id: bookId, book, base, addLinked } = useRecords()
  const { control, watch } = useFormContext<FormText>()
  const label = watch(labelName as `labels.${string}`)
  if (field.kind !== 'link') return undefined
  const target = tableOf(book, linkOf(book, field.id).one)
  const pick = (option: LinkOption | undefined) => {
    if (option) noteLately(bookId, target.id, option)
    put(option?.ref ?? '', option?.label ?? '')
  }
  const add = async (words: string) => {
    const row = await addLinked({ table: target.id, words })
    if (row) pick(row)
    document.getElementById(id)?.focus()
  }
  return {
    label: unmatchedWords(ref) ?? (ref ? label || ref : ''),
    noun: inSentence(target.name),
    search: (words) => searchLinked(base, bookId, target, words),
    onPick: pick,
    onSettling: (work) => noteArriving(control, work),
    onMiss: sayMissed(target),
    ...(!readOnly && { onAdd: (words: string) => void add(words) }),
    ...(ref && unmatchedWords(ref) === undefined && { href: `${base}/${target.id}/record/${encodeURIComponent(ref)}` }),
  }
}

function useFileSource(
  field: Field,
  labelName: LabelPath,
  hash: string,
  put: (hash: string, label: string) => void,
): FileSource | undefined {
  const { base } = useRecords()
  const { control, watch } = useFormContext<FormText>()
  const [busy, setBusy] = useState(false)
  const name = watch(labelName as `labels.${string}`)
  if (field.kind !== 'file') return undefined
  return {
    href: `${base}/files/${hash}`,
    thumbnail: `${base}/files/${hash}?small`,
    busy,
    ...(name && { name }),
    send(file) {
      const deliver = async () => {
        const body = new FormData()
        body.set('field', field.id)
        body.set('file', file)
        setBusy(true)
        const answer = await fetch(`${base}/files`, { method: 'POST', body }).catch(() => undefined)
        const result = (await answer?.json().catch(() => undefined)) as Result<StoredFile> | undefined
        setBusy(false)
        if (!result?.ok) return void toast(wordProblem(result?.problem ?? { kind: 'no-answer' }))
        put(result.value.hash, result.value.name)
      }
      const work = deliver()
      noteArriving(control, work)
      return work
    },
  }
}
