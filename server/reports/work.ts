import type { Measures, Item, Page } from '@/core/reports'
import type { Problem } from '@/core/words'
import type { Pictures } from './pictures'

/** What is laid on pages: a report, or a document for each of some records. */
export interface Work<Found> {
  readonly title: string
  /** The name of the book that it is of. */
  readonly book: string
  /** Whether the book is being opened: tables that are read wait for nobody, but changes of them wait for who reads. */
  readonly isOpening?: (() => Promise<boolean>) | undefined
  /** Gives pages away as they are full. */
  readonly lay: (onBegin: (measures: Measures) => void, onPages: OnPages) => Promise<Found>
  /** The pictures that stand on its pages. */
  readonly pictures?: (() => Promise<Pictures>) | undefined
  /** What stands at the head and the foot of a page when it is known how many there are. */
  readonly around?: (measures: Measures, at: number, pages: number | undefined) => readonly Item[]
}

export type OnPages = (pages: readonly Page[]) => Promise<void>

/** It can't be laid as it is: why, in words. */
export class NotLaid extends Error {
  constructor(readonly problem: Problem) {
    super('It cannot be laid.')
  }
}

/** The book is being opened anew: whoever reads lets go, so that the opening, and those who save, needn't wait. */
export class BeingOpened extends Error {}

/** How often that is asked, in milliseconds. */
const often = 1000

/** Lets go of what is read when the book is being opened. */
export function lettingGo({ isOpening }: Pick<Work<unknown>, 'isOpening'>): () => Promise<void> {
  let asked = performance.now()
  return async () => {
    if (!isOpening || performance.now() - asked < often) return
    asked = performance.now()
    if (await isOpening()) throw new BeingOpened()
  }
}
