import type { Comparison, Field } from '../../book'
import { type KindName, kindOf, type Look } from '../../kinds'

const always: readonly Comparison[] = ['blank', 'filled']
const same: readonly Comparison[] = ['is', 'isNot', 'oneOf', ...always]
const text: readonly Comparison[] = ['contains', 'begins', 'ends', 'looks', ...same]
/** Comparisons with letters of a text, and not with a whole value of it. */
const withLetters: readonly string[] = ['contains', 'begins', 'ends', 'looks']
export const takesLetters = (how: Comparison | 'within'): boolean => withLetters.includes(how)

const ordered: readonly Comparison[] = [
  'is',
  'isNot',
  'atLeast',
  'more',
  'atMost',
  'less',
  'between',
  'oneOf',
  ...always,
]

/** The comparisons that fit what a field looks like, the likeliest first. */
export function comparisonsFor(face: Field, look: Look): readonly Comparison[] {
  const kind = kindOf(face.kind)
  switch (kind.control) {
    case 'number':
    case 'date':
    case 'time':
    case 'date-time':
    case 'mark':
      return ordered
    case 'tick':
      return ['is']
    case 'choice':
    case 'link':
      return same
    case 'file':
      return always
    case 'given':
      // A number that is written in a pattern is a text.
      return kind.columnType(face, look)?.is === 'text' ? text : ordered
    default:
      return text
  }
}

export const fits = (how: Comparison, face: Field, look: Look): boolean => comparisonsFor(face, look).includes(how)

/** Whether there may be numbers within the values of a text: "Flat 2", "Flat 10". */
export const mayBeNatural = (face: Field, look: Look): boolean => comparisonsFor(face, look).includes('contains')

/** Whether values of a kind lie in time: days aren't more or less, they are later or earlier. */
export const isTimed = (kind: KindName) => ['date', 'time', 'date-time'].includes(kindOf(kind).control)

const words: Readonly<Record<Comparison, string>> = {
  is: 'is',
  isNot: 'is not',
  more: 'is more than',
  atLeast: 'is at least',
  less: 'is less than',
  atMost: 'is at most',
  between: 'is from',
  oneOf: 'is one of',
  contains: 'contains',
  begins: 'begins with',
  ends: 'ends with',
  looks: 'looks like',
  blank: 'is blank',
  filled: 'is filled',
}
const timed: Partial<Record<Comparison, string>> = {
  more: 'is after',
  atLeast: 'is not before',
  less: 'is before',
  atMost: 'is not after',
}

/** How a comparison is said: "is at least", and of days "is not before". */
export const sayHow = (how: Comparison, kind?: KindName): string =>
  (kind && isTimed(kind) ? timed[how] : undefined) ?? words[how]
