import type { Book } from '../../book'
import type { Measures } from '../layout/measures'
import type { DrawCode } from './code-drawing'
import type { Filled, Said } from './filled'
import type { ReadTemplate } from './read-template'

/** What a document is laid from: its text, one record's values, and what everything is measured by. */
export interface Writing {
  readonly book: Book
  readonly read: ReadTemplate
  readonly filled: Filled
  readonly said: Said
  readonly measures: Measures
  /** Draws codes for scanning; without it they are written. */
  readonly drawCode?: DrawCode | undefined
  /** Told of a value that no code can say. */
  readonly onPlainCode?: ((value: string) => void) | undefined
}
