'use client'

import type { Field, Table } from '@/core/book'
import { inSentence } from '@/core/words'
import { FieldControl } from '@/ui/controls'
import { Labelled } from '@/ui/kit'
import { sayMissed, searchLinked } from '../../form/search-linked'
import { useRecords } from '../../records-context'

interface Props {
  readonly table: Table
  readonly value: { readonly ref: string; readonly label: string } | undefined
  readonly onChange: (record: { readonly ref: string; readonly label: string }) => void
}

const field = { id: 'example', name: 'Example', kind: 'link' } as Field

/** The record with whose values a document is shown while it is written. */
export function ExampleBox({ table, value, onChange }: Props) {
  const { id: bookId, book, base } = useRecords()
  const noun = inSentence(table.name)
  return (
    <Labelled label={`With the values of the ${noun}`} htmlFor="example-record">
      <FieldControl
        id="example-record"
        field={field}
        look={book.look}
        text={value?.ref ?? ''}
        onText={() => undefined}
        link={{
          label: value?.label ?? '',
          noun,
          search: (words) => searchLinked(base, bookId, table, words),
          onPick: (option) => option && onChange(option),
          onMiss: sayMissed(table),
        }}
      />
    </Labelled>
  )
}
