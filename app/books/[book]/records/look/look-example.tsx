'use client'

import { useState } from 'react'
import { FormProvider, useForm } from 'react-hook-form'
import { officeNow } from '@/app/office-now'
import { type FormLook, tableOf } from '@/core/book'
import { shownLines } from '@/core/forms'
import type { FormText } from '@/core/records'
import { textToShow } from '../arrange/text-to-show'
import { FormDress } from '../form/form-dress'
import { FormLinesOf } from '../form/form-lines'
import { useRecords } from '../records-context'

interface Props {
  readonly tableId: string
  readonly look: FormLook
  readonly theme: 'light' | 'dark'
}

/** The form of a table with an example in it, as it would look. */
export function LookExample({ tableId, look, theme }: Props) {
  const { book } = useRecords()
  const [now] = useState(officeNow)
  const [text] = useState(() => textToShow(book, tableId, undefined, now))
  const form = useForm<FormText>({ defaultValues: text })
  const lines = shownLines(
    book,
    tableId,
    book.forms.find((one) => one.table === tableId),
  )
  return (
    <section
      aria-label={tableOf(book, tableId).name}
      data-theme={theme}
      // Small enough where there is room for all beside each other; their letters stay as large to each other as they are.
      className="rounded-lg border border-ash-3 bg-paper p-4 text-ink xl:max-h-[150vh] xl:overflow-hidden xl:[zoom:0.55]"
    >
      <p className="pb-3 font-bold">{tableOf(book, tableId).name}</p>
      <div inert>
        <FormProvider {...form}>
          <FormDress look={look}>
            <FormLinesOf lines={lines} at={{ tableId, now, stored: false, isClosed: () => false }} />
          </FormDress>
        </FormProvider>
      </div>
    </section>
  )
}
