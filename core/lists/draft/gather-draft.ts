import type { Book, ColumnShows, Way } from '../../book'
import { displayOf } from '../../expressions'
import { inSentence } from '../../words'
import { factTree } from '../check/fact-tree'
import { gatheredFace, sayGathering } from '../check/gathered-face'
import { endOf } from '../ways/walk'

type Gathered = Extract<ColumnShows, { kind: 'gathered' }>

/** Something that the several records at the end of a way can come to. */
interface Gatherable {
  readonly shows: Gathered
  readonly words: string
}

const names = ['total', 'average', 'least', 'greatest', 'different'] as const

/** All that the several records at the end of a way can come to, in words: "total of amount", "latest day". */
export function gatherablesOf(book: Book, tableId: string, way: Way): Gatherable[] {
  const fields = endOf(book, tableId, way)?.fields ?? []
  return fields.flatMap((field) => {
    const face = displayOf(book, field)
    const type = factTree(book, field)?.type
    // Nobody adds up what only tells records apart.
    const wished = face.kind === 'running' ? [] : names
    return wished.flatMap((name): Gatherable[] => {
      if (!gatheredFace(field.id, name, face, type)) return []
      const of = name === 'different' ? `, by ${inSentence(field.name)}` : ` of ${inSentence(field.name)}`
      return [{ shows: { kind: 'gathered', way, name, field: field.id }, words: sayGathering(name, face.kind) + of }]
    })
  })
}
