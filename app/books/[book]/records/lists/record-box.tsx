'use client'

import { type Field, linkOf, tableOf } from '@/core/book'
import { inSentence } from '@/core/words'
import { FieldControl } from '@/ui/controls'
import { Labelled } from '@/ui/kit'
import { sayMissed, searchLinked } from '../form/search-linked'
import { useRecords } from '../records-context'

interface Props {
  readonly id: string
  readonly label: string
  /** Told apart from others of its name. */
  readonly name: string
  /** The link field that would lead to it. */
  readonly field: Field
  readonly value: string
  /** What the record is known by. */
  readonly called: string
  readonly onChange: (ref: string, called: string) => void
}

/** One record of those that a link may lead to, found by what it is known by. */
export function RecordBox({ id, label, name, field, value, called, onChange }: Props) {
  const { id: bookId, book, base } = useRecords()
  const target = tableOf(book, linkOf(book, field.id).one)
  return (
    <Labelled label={label} htmlFor={id}>
      <FieldControl
        id={id}
        field={field}
        look={book.look}
        text={value}
        onText={(ref) => onChange(ref, ref === value ? called : '')}
        name={name}
        link={{
          label: value ? called : '',
          noun: inSentence(target.name),
          search: (words) => searchLinked(base, bookId, target, words),
          onPick: (option) => onChange(option?.ref ?? '', option?.label ?? ''),
          onMiss: sayMissed(target),
        }}
      />
    </Labelled>
  )
}
