import type { ReactNode } from 'react'
import { type Book, type Field } from '@/core/book'
import { displayOf } from '@/core/expressions'
import type { CheckedRow, GridRow } from '@/core/grid'
import { isDerived, kindOf, showValue, unmatchedWords } from '@/core/kinds'
import { type Problem, wordProblem } from '@/core/words'
import { classNames } from '@/ui/kit'
import type { GridLine } from './grid-lines'

/** What a cell shows: what is typed, what its link's record is known by, or what is worked out. */
export function wordsIn(book: Book, { row, is }: GridLine, field: Field, checked: CheckedRow | undefined): string {
  const text = row.text[field.id] ?? ''
  const label = row.labels[field.id] ?? ''
  if (isDerived(field)) return derivedWords(book, row, field, checked)
  switch (kindOf(field.kind).control) {
    case 'given':
      return text || (is === 'new' ? 'on saving' : '')
    case 'link':
      return unmatchedWords(text) ?? (text && (label || text))
    case 'file':
      return text && (label || 'a file')
    case 'tick':
      return text === 'yes' ? '✓' : ''
    default:
      return text
  }
}

function derivedWords(book: Book, row: GridRow, field: Field, checked: CheckedRow | undefined): string {
  const value = checked ? checked.derived[field.id] : (row.stored?.values[field.id] ?? null)
  return value === undefined ? '…' : showValue(value, displayOf(book, field), book.look)
}

/** What is wrong with a cell, in words. */
export function problemIn(line: GridLine, field: Field, problem: Problem | undefined): string | undefined {
  if (problem) return wordProblem(problem)
  const theirs = line.theirs[field.id]
  if (theirs === undefined) return undefined
  const said =
    theirs === '' ? 'Somebody else emptied this meanwhile.' : `Somebody else wrote “${theirs}” here meanwhile.`
  return `${said} F2 and Enter keep yours; Alt Delete takes theirs.`
}

interface Props {
  readonly id: string
  readonly field: Field
  readonly words: string
  readonly problem: string | undefined
  readonly isHere: boolean
  readonly isChosen: boolean
  /** Nobody types here, or nobody did yet. */
  readonly isQuiet: boolean
  readonly isGiven: boolean
  /** In the right half: what is wrong stands leftwards from it. */
  readonly isRight: boolean
  /** The box to type into, while one does. */
  readonly editor: ReactNode
}

/** One cell: words until one types into it. What is wrong stands beneath it while one is there. */
export function GridCell(props: Props) {
  const { id, problem, isHere, isChosen, isGiven, isRight, editor } = props
  const isWrong = problem !== undefined
  return (
    <div
      role="gridcell"
      id={id}
      aria-selected={isChosen}
      aria-readonly={isGiven || undefined}
      aria-invalid={isWrong || undefined}
      aria-describedby={isWrong && isHere ? `${id}-note` : undefined}
      className={classNames(
        'relative min-w-0 border-r border-ash-3',
        isHere ? 'z-10 outline-2 -outline-offset-1 outline-spruce' : isChosen && 'bg-spruce-tint',
        isWrong && !isHere && 'bg-ember-tint',
      )}
    >
      {editor || <Words {...props} />}
      {isWrong && isHere && (
        <span
          id={`${id}-note`}
          className={classNames(
            'pointer-events-none absolute top-full z-20 mt-1 w-max max-w-[min(320px,60vw)] rounded-md bg-paper px-2.5 py-1.5 text-left text-[13px] whitespace-normal text-ember shadow-float',
            isRight ? 'right-0' : 'left-0',
          )}
        >
          {problem}
        </span>
      )}
    </div>
  )
}

/** More of a cell isn't seen, and a browser that lays out megabytes stands still. */
const mostLetters = 400

function Words({ field, words, problem, isQuiet }: Props) {
  const shown = words.slice(0, mostLetters)
  return (
    <span
      title={words.length > 20 ? shown : undefined}
      className={classNames(
        'block h-8 truncate px-2 leading-8',
        kindOf(field.kind).align === 'end' && 'text-right',
        isQuiet && 'text-ash-6',
        problem !== undefined && 'text-ember',
        ['code', 'running'].includes(field.kind) && 'font-mono text-[13px]',
      )}
    >
      {shown}
    </span>
  )
}
