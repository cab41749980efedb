import type { Book } from '../book'

export type Weight = 'must-settle' | 'worth-a-look'

/** One thing to say about one part of a book. */
export interface Advice {
  readonly piece: string
  readonly weight: Weight
  /** The id of the part it is about. */
  readonly about: string
  readonly head: string
  readonly text: string
}

/** One piece of a careful designer's advice: finds where it applies and says why. */
export interface AdvicePiece {
  readonly weight: Weight
  readonly find: (book: Book) => readonly Omit<Advice, 'piece' | 'weight'>[]
}
