import { type Book, type Field, findField, linkOf, tableOf } from '../../book'
import { isDerived } from '../../kinds'
import type { Problem } from '../../words'
import { fail, type Outcome, type Part, type Scope } from './check-help'
import { nearNames } from './names'
import { type Failure, type Span, uncomputed } from '../text/syntax'
import { typeOfField } from '../types'

/** A fact that was found. A link or a file by itself is one only where it is asked whether it is empty (`bare`). */
export function checkFact(
  { book, typeOf }: Scope,
  over: readonly string[],
  field: Field,
  at: Span,
  bare: boolean,
): Outcome {
  const alone = field.kind === 'link' || uncomputed.includes(field.kind)
  if (alone && !bare) return fail(at, standingAlone(book, field))
  if (isDerived(field)) {
    const made = typeOf(book, field)
    return 'problem' in made ? fail(at, made.problem) : { kind: 'fact', over, field: field.id, type: made.type }
  }
  const type = alone ? ({ is: 'text' } as const) : typeOfField(field, book.look)
  return type ? { kind: 'fact', over, field: field.id, type } : fail(at, { kind: 'not-calculable', field: field.name })
}

function standingAlone(book: Book, field: Field): Problem {
  if (field.kind !== 'link') return { kind: 'file-alone', field: field.name }
  const target = tableOf(book, linkOf(book, field.id).one)
  return { kind: 'link-alone', field: field.name, such: target.fields[0]?.name ?? 'Name' }
}

/** A word that a choice doesn't have can never be in it: most likely it is misspelt. */
export function checkChoice(book: Book, { tree: fact }: Part, others: readonly Part[]): Failure | undefined {
  if (fact.kind !== 'fact') return undefined
  const field = findField(book, fact.field)?.field
  const words = field?.kind === 'choice' ? field.choices?.map((choice) => choice.word) : undefined
  if (!words?.length) return undefined
  for (const { tree: other, at } of others) {
    if (other.kind !== 'literal' || other.type.is !== 'text' || other.value === null) continue
    const { value } = other
    if (words.some((word) => word.toLowerCase() === value.trim().toLowerCase())) continue
    const near = nearNames(value, words)
    return fail(at, { kind: 'no-such-choice', field: field!.name, text: value, near, all: words.slice(0, 8) })
  }
  return undefined
}
