import { type Book, type Field, mustHold, type Table } from '../book'
import { kindOf, showValue } from '../kinds'
import { sayPattern } from '../patterns'
import { aOrAn, inSentence, listed, plural } from '../words'

/** A rule that a field carries by its settings, as a sentence. */
export interface FieldRule {
  readonly id: string
  readonly table: Table
  readonly field: Field
  readonly sentence: string
  /** The words staff read when it refuses, where the administrator wrote some. */
  readonly refusal?: string
}

/** Every rule the fields of one table carry: must be filled, no two alike, bounds, choices. */
export function fieldRules(book: Book, table: Table): FieldRule[] {
  return table.fields.flatMap((field) => {
    const rule = (part: string, sentence: string): FieldRule => ({
      id: `${field.id}-${part}`,
      table,
      field,
      sentence,
      ...(field.refusal && ['least', 'most', 'range'].includes(part) && { refusal: field.refusal }),
    })
    const shown = (value: string) => showValue(value, field, book.look) + (field.unit ? ` ${field.unit}` : '')
    const { least, most } = field
    const rules: FieldRule[] = []
    if (field.kind === 'running') return [rule('given', `${field.name} is given by the book, one after the other`)]
    if (mustHold(table, field)) rules.push(rule('must', `${field.name} must be filled`))
    if (field.unique)
      rules.push(rule('unique', `No two ${plural(inSentence(table.name))} have the same ${inSentence(field.name)}`))
    if (least !== undefined && most !== undefined)
      rules.push(rule('range', `${field.name} is from ${shown(least)} to ${shown(most)}`))
    else if (least !== undefined) rules.push(rule('least', `${field.name} is at least ${shown(least)}`))
    else if (most !== undefined) rules.push(rule('most', `${field.name} is at most ${shown(most)}`))
    if (field.choices?.length)
      rules.push(
        rule(
          'choices',
          `${field.name} is ${listed(
            field.choices.map((choice) => choice.word),
            'or',
          )}`,
        ),
      )
    if (field.pattern) rules.push(rule('pattern', `${field.name} is ${sayPattern(field.pattern)}`))
    if (field.exactLength) rules.push(rule('length', `${field.name} has exactly ${field.length} characters`))
    if (field.kind === 'mark') rules.push(rule('scale', `${field.name} is a mark from 1 to ${field.scale ?? 5}`))
    if (['email', 'phone', 'web'].includes(field.kind))
      rules.push(rule('shape', `${field.name} is ${aOrAn(kindOf(field.kind).title.toLowerCase())}`))
    return rules
  })
}

export const allFieldRules = (book: Book): FieldRule[] => book.tables.flatMap((table) => fieldRules(book, table))
