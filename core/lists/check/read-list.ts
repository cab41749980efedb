import type { Along, Book, ChartKind, Field, Group, List, Span, Table, Way } from '../../book'
import type { Tree } from '../../expressions'
import type { Now } from '../../kinds'
import type { Problem } from '../../words'

/** Where in a list something is wrong; a condition by its place in the tree of conditions. */
export type ListPart =
  | { readonly part: 'column'; readonly id: string }
  | { readonly part: 'condition'; readonly path: readonly number[] }
  | { readonly part: 'order'; readonly at: number }
  | { readonly part: 'ask'; readonly id: string }
  | { readonly part: 'group'; readonly at: number }
  | { readonly part: 'figure'; readonly at: number }
  | { readonly part: 'shown' }

export interface ListFault {
  readonly at: ListPart
  readonly problem: Problem
}

/** A condition with its fields looked up and its values understood; none of them holds nothing but true and false. */
export type ReadCondition =
  /** True of the one record that a way of single records leads to; false where there is none. */
  | { readonly kind: 'true'; readonly way: Way; readonly table: Table; readonly tree: Tree }
  /** A link field of that record leads to one of these, by their keys. */
  | {
      readonly kind: 'linked'
      readonly way: Way
      readonly table: Table
      readonly field: Field
      readonly keys: readonly (readonly string[])[]
    }
  | { readonly kind: 'all' | 'any'; readonly of: readonly ReadCondition[] }
  | { readonly kind: 'not'; readonly of: ReadCondition }
  | {
      readonly kind: 'has'
      readonly way: Way
      readonly end: Table
      readonly least: number | undefined
      readonly most: number | undefined
      readonly where: ReadCondition | undefined
    }
  /** Others of the list's table have the same in all of these, or nearly. */
  | { readonly kind: 'repeats'; readonly of: readonly ReadGroup[]; readonly nearly: boolean }
  /** It is of one group of those that a list is put together by. */
  | { readonly kind: 'inGroup'; readonly group: ReadGroup; readonly key: string | null }
  /** Nothing was answered to what it asks. */
  | { readonly kind: 'always' }

interface Shown {
  readonly id: string
  /** What stands above it. */
  readonly heading: string
  /** What its values look like. */
  readonly face: Field
}

type PlainColumn = Shown &
  (
    | { readonly kind: 'field'; readonly way: Way; readonly table: Table; readonly field: Field }
    | {
        readonly kind: 'several'
        readonly way: Way
        readonly table: Table
        readonly field: Field
        readonly as: 'together' | 'lines'
      }
    | {
        readonly kind: 'gathered'
        readonly way: Way
        readonly end: Table
        readonly name: Gathering
        readonly field: Field | undefined
        readonly where: ReadCondition | undefined
      }
    | { readonly kind: 'calculated'; readonly tree: Tree }
  )

/** A column that has one value for each record. */
export type SingleColumn = Exclude<PlainColumn, { kind: 'several' }>

export type ReadColumn =
  PlainColumn | (Shown & { readonly kind: 'along'; readonly of: SingleColumn; readonly name: Along })
export type Gathering = 'count' | 'different' | 'total' | 'average' | 'least' | 'greatest'

/** What records are put together by. */
export interface ReadGroup {
  readonly heading: string
  /** As a sentence has it: "town of its premises". */
  readonly words: string
  readonly way: Way
  readonly table: Table
  readonly field: Field
  readonly face: Field
  readonly step: Group['step']
  readonly down: boolean
  readonly first: number | undefined
  /** The column whose figure groups are put in order by, or their size; their own value where neither. */
  readonly by: string | { readonly size: true } | undefined
}

/** What the records of a group come to in a column: each end of the way that they lead to counts once. */
export interface ReadFigure {
  /** The column it stands under. */
  readonly column: ReadColumn
  readonly name: Gathering
  readonly way: Way
  readonly end: Table
  readonly of: Field | Tree | undefined
  readonly where: ReadCondition | undefined
  readonly face: Field
}

/** A figure of each group, or how many records it has. */
export type ReadMeasure = ReadFigure | 'size'

export interface ReadShown {
  readonly of: ReadMeasure
  /** None where two of its groups are crossed. */
  readonly chart: ChartKind | undefined
  /** What it is put against, where each group is one point. */
  readonly against?: ReadMeasure | undefined
}

/** A list that can be asked: everything in it is there, and fits. */
export interface ReadList {
  readonly table: Table
  readonly columns: readonly ReadColumn[]
  readonly where: ReadCondition | undefined
  readonly order: readonly {
    readonly column: SingleColumn
    readonly down: boolean
    readonly blanks: 'first' | 'last' | undefined
    readonly natural: boolean
  }[]
  readonly groups: readonly ReadGroup[]
  readonly figures: readonly ReadFigure[]
  /** How its groups are shown, other than as records under headings. */
  readonly shown: ReadShown | undefined
  readonly first: number | undefined
}

/** One of those that a list is grouped by. */
export function groupAt({ groups }: Pick<ReadList, 'groups'>, at: number): ReadGroup {
  const group = groups[at]
  if (!group) throw new Error('A list is not grouped so often.')
  return group
}

/** What was answered to what a list asks, as values are stored, and the moment it is. */
export interface Answers {
  readonly given: Readonly<Record<string, string>>
  readonly now: Now
  /** How days told from today stay told from today, where it is asked again another day; no page needs it. */
  readonly whenever?: (book: Book, table: Table, of: Tree, span: Span) => Tree
  /** The kept lists that whoever asks may see, for what asks whether something is in one of them. */
  readonly lists?: readonly List[] | undefined
}

export interface Reading {
  readonly book: Book
  readonly list: List
  readonly answers: Answers
  readonly faults: ListFault[]
  /** The lists through which this one is come to, the list that is asked first, and how many conditions that took. */
  readonly through: { readonly lists: readonly string[]; readonly taken: { conditions: number } }
}
