'use client'

import { useId, useState } from 'react'
import { officeNow } from '@/app/office-now'
import type { Field, Table } from '@/core/book'
import { showValue } from '@/core/kinds'
import { readTyped } from '@/core/records'
import { wordProblem } from '@/core/words'
import { TextBox } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'

/** Takes or refuses a value with the words that staff would read. */
export function TryValue({ table, field }: { readonly table: Table; readonly field: Field }) {
  const { book } = useWorkshop()
  const [text, setText] = useState('')
  const id = useId()
  const [now] = useState(officeNow)
  const read = readTyped(book, table, field, text, now)
  const tried = text !== ''
  return (
    <div className="flex flex-wrap items-center gap-3 rounded-md border border-ash-3 bg-paper px-3 py-1.5">
      <label htmlFor={id} className="font-bold">
        Try a value
      </label>
      <TextBox
        id={id}
        value={text}
        invalid={tried && !read.ok}
        onChange={(event) => setText(event.target.value)}
        className="max-w-[220px]"
      />
      <p role="status" className="min-w-0 flex-1">
        {!tried && <span className="text-ash-6">Type what staff might type.</span>}
        {tried && !read.ok && <span className="text-ember">Refused: {wordProblem(read.problem)}</span>}
        {tried && read.ok && (
          <span className="text-spruce">
            Taken{read.value === null ? ' as empty' : `: ${showValue(read.value, field, book.look)}`}
          </span>
        )}
      </p>
    </div>
  )
}
