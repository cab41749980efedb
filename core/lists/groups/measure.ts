import type { Value } from '../../kinds'
import { inSentence, plural } from '../../words'
import type { Figure } from '../../book'
import { sayGathering } from '../check/gathered-face'
import type { ReadColumn, ReadList, ReadMeasure } from '../check/read-list'
import type { GroupLine } from './order-groups'

/** What is told of a group; nothing where the group isn't there or comes to nothing. */
export function measured(of: ReadMeasure, line: Pick<GroupLine, 'count' | 'figures'> | undefined): Value {
  if (!line) return null
  return of === 'size' ? String(line.count) : (line.figures[of.column.id] ?? null)
}

/** Whether no record at all comes to nought, and not to nothing. */
export const isNoughtOfNone = (of: ReadMeasure): boolean =>
  of === 'size' || of.name === 'count' || of.name === 'different' || of.name === 'total'

/** What is told of each group, in words: "visits", "total of price". */
export function sayMeasure({ table }: Pick<ReadList, 'table'>, of: ReadMeasure): string {
  if (of === 'size') return plural(inSentence(table.name))
  return sayFigure(of.column, of.column.kind === 'gathered' || of.name === 'count' ? undefined : of.name)
}

/** Whether what groups come to adds up to what all come to: nothing of it can be in two groups. */
export const addsUp = (of: ReadMeasure): boolean =>
  of === 'size' || ((of.name === 'count' || of.name === 'total') && of.way.every(({ to }) => to === 'rows'))

/** What stands beneath a column, in words: "total of price". */
export function sayFigure(column: ReadColumn, name: Figure['name']): string {
  const isField = column.kind === 'field' || column.kind === 'several'
  // An arrow is for the eye; a sentence names the field.
  const heading = inSentence(isField && column.heading.includes('→') ? column.field.name : column.heading)
  return name ? `${sayGathering(name, column.face.kind)}${name === 'different' ? ', by ' : ' of '}${heading}` : heading
}
