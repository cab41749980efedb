'use client'

import { type ReactNode, useRef } from 'react'
import type { Book, Field, Table } from '@/core/book'
import { type Failure, wordsOffered, writtenName } from '@/core/expressions'
import { wordProblem } from '@/core/words'
import { Button, Labelled } from '@/ui/kit'
import { type EditorHandle, ExpressionEditor } from './expression-editor'

export interface WrittenProps {
  readonly book: Book
  readonly id: string
  readonly label: string
  readonly hint?: string
  readonly table: Table
  /** The fields to put in by a click; all of the table's where left out. */
  readonly offered?: readonly Field[]
  readonly source: string
  readonly placeholder?: string
  /** What is wrong with it, and where. */
  readonly wrong: Failure | undefined
  /** What is said when it can be kept. */
  readonly sound?: string | undefined
  /** The name that every fact begins with, where rows of another table are spoken of. */
  readonly within?: string
  readonly rows?: number
  readonly autoFocus?: boolean
  readonly onChange: (source: string) => void
  readonly onLeave?: (source: string) => void
  /** What stands below it. */
  readonly children?: ReactNode
}

const mostOffered = 24

/** A box for an expression: checked with every letter, with names offered. */
export function WrittenBox(props: WrittenProps) {
  const { book, id, label, hint, table, source, placeholder, wrong, sound, within, rows = 3, onChange, onLeave } = props
  const editor = useRef<EditorHandle>(null)
  const fields = (props.offered ?? table.fields).filter((field) => field.kind !== 'link' && field.kind !== 'file')
  const put = (name: string) => editor.current?.put((within ? `${writtenName(within)}.` : '') + writtenName(name))
  return (
    <div className="flex flex-col gap-1.5">
      <Labelled label={label} htmlFor={id} hint={hint}>
        <ExpressionEditor
          handle={editor}
          id={id}
          label={label}
          source={source}
          placeholder={placeholder}
          rows={rows}
          autoFocus={props.autoFocus}
          words={() => wordsOffered(book, table, within)}
          wrong={wrong}
          describedBy={`${id}-wrong`}
          onChange={onChange}
          onLeave={onLeave}
        />
      </Labelled>
      <p id={`${id}-wrong`} role="status" className="min-h-5 text-[13px]">
        {wrong && <Wrong source={source} {...wrong} />}
        {!wrong && sound && <span className="text-spruce">✓ {sound}</span>}
      </p>
      <div role="group" aria-label="Put in a field" className="flex flex-wrap gap-1.5">
        {fields.slice(0, mostOffered).map((field) => (
          <Button key={field.id} small type="button" onClick={() => put(field.name)}>
            {field.name}
          </Button>
        ))}
      </div>
      {props.children}
    </div>
  )
}

/** The place that is wrong, marked in the words themselves, and what is wrong with it. */
function Wrong({ source, problem, at }: Failure & { readonly source: string }) {
  const here = source.slice(at.start, at.end)
  return (
    <>
      {here && (
        <mark className="bg-brass-tint px-0.5 font-mono text-ink underline decoration-ember decoration-wavy">
          {here.slice(0, 60)}
        </mark>
      )}{' '}
      <span className="text-ember">{wordProblem(problem)}</span>
    </>
  )
}
