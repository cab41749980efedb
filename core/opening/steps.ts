import type { Problem } from '../words'
/** A loss that somebody agreed to: what it goes by, and of how many records at most. */
export interface Agreed {
  readonly id: string
  readonly most: number
}

/** One statement of an opening. Each can be run again without harm, and taken back. */
export interface OpeningStep {
  /** What it does, in plain words. */
  readonly say: string
  readonly sql: string
  /** What takes it back, where something has to. */
  readonly undo?: string
  /** Before it the records are asked, now that nobody writes: whether there are none, or none that stand in the way. */
  readonly asks?: 'no-records' | 'questions'
  /** What was agreed to be lost, which then doesn't stand in the way. */
  readonly agreed?: readonly Agreed[]
  /** What is lost by it where something was there: losses by their ids. */
  readonly loses?: readonly string[]
  /** Something that was agreed to is lost by it: from here on there is no way back. */
  readonly forGood?: true
}

/** Something to count in the live rows first. Any count above nought stands in the way. */
export interface LiveCheckQuestion {
  /** One row with one number, named `count`; it may name some of what it counted as `examples`. */
  readonly sql: string
  readonly blocked: (count: number, examples: string) => Problem
  /** Where values would be lost that somebody may let go: what the agreement to that goes by. */
  readonly loses?: string
}
