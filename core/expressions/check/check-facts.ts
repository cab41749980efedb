import { type Book, type Field, findField, linkOf, tableOf } from '../../book'
import { isDerived } from '../../kinds'
import { listed } from '../../words'
import { fail, type Failure, type Outcome, type Part, type Scope } from './check-help'
import { nearNames } from './names'
import { type Span, uncomputed } from '../text/syntax'
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
  if (alone && !bare) return fail(at, bareWords(book, field))
  if (isDerived(field)) {
    const made = typeOf(book, field)
    return 'because' in made ? fail(at, made.because) : { kind: 'fact', over, field: field.id, type: made.type }
  }
  const type = alone ? ({ is: 'text' } as const) : typeOfField(field, book.look)
  return type
    ? { kind: 'fact', over, field: field.id, type }
    : fail(at, `${field.name} can’t be used in a calculation.`)
}

function bareWords(book: Book, field: Field): string {
  if (field.kind !== 'link') return `${field.name} holds a file, which can only be asked whether it is empty.`
  const target = tableOf(book, linkOf(book, field.id).one)
  return `${field.name} is a link. Write which field of it is meant, such as ${field.name}.${target.fields[0]?.name ?? 'Name'}.`
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
    return fail(
      at,
      `${field!.name} has no choice “${value}”. ${near.length > 0 ? `Did you mean ${listed(near, 'or')}?` : `It has ${listed(words.slice(0, 8))}.`}`,
    )
  }
  return undefined
}
