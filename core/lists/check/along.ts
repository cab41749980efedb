import type { Along, Book, Field } from '../../book'
import { kindOf } from '../../kinds'
import { inSentence } from '../../words'
import { factTree } from './fact-tree'
import type { ReadColumn } from './read-list'

const headings: Readonly<Record<Along, (of: string) => string>> = {
  share: (of) => `Share of ${of}`,
  running: (of) => `Running total of ${of}`,
  rank: (of) => `Rank by ${of}`,
  difference: (of) => `${of}, more than the one before`,
}

/** What stands above a column that goes along with another. */
export const alongHeading = (name: Along, of: string): string =>
  name === 'difference' ? headings.difference(of) : headings[name](inSentence(of))

/** What a number among others looks like; none where the column has no single numbers. */
export function alongFace(book: Book, id: string, name: Along, of: ReadColumn): Field | undefined {
  if (!hasNumbers(book, of)) return undefined
  switch (name) {
    case 'share':
      return { id, name: '', kind: 'exact', digits: 9, decimals: 1, unit: '%' }
    case 'rank':
      return { id, name: '', kind: 'whole' }
    default:
      return { ...of.face, id, ...(of.face.kind === 'mark' && { kind: 'whole' }) }
  }
}

/** Whether a column has one number for each record. */
export function hasNumbers(book: Book, of: ReadColumn): boolean {
  if (of.kind === 'several' || of.kind === 'along') return false
  if (of.kind === 'field') {
    if (of.field.kind === 'running') return false
    const type = factTree(book, of.field)?.type
    return type?.is === 'exact' || type?.is === 'measured'
  }
  if (of.kind === 'calculated') return of.tree.type.is === 'exact' || of.tree.type.is === 'measured'
  return ['number', 'mark'].includes(kindOf(of.face.kind).control)
}
