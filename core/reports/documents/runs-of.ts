import type { Inline } from '../../book'
import type { Run } from '../../letters'
import { sayInline } from './say-inline'
import type { Writing } from './writing'

/** The runs of a line; undefined where it has fields, all of them are blank, and nothing else is said. */
export function runsOf(
  { book, read, filled, said }: Pick<Writing, 'book' | 'read' | 'filled' | 'said'>,
  line: readonly Inline[],
): Run[] | undefined {
  const parts = line.map((part) => ({ part, words: sayInline(book, read.columns, filled, said, part) }))
  const fields = parts.filter(({ part }) => part.kind === 'field')
  const isBlank = fields.length > 0 && fields.every(({ words }) => words.trim() === '')
  const saysMore = parts.some(({ part, words }) => part.kind !== 'field' && /[\p{L}\p{N}]/u.test(words))
  if (isBlank && !saysMore) return undefined
  return parts.map(({ part, words }) => ({ words, ...('bold' in part && part.bold && { bold: true }) }))
}
