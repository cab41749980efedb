import * as z from 'zod'
import type { Json } from '../words'
import { limits } from './limits'

// Never one of the names that every object brings along: columns are told apart by their ids.
const Id = z.string().regex(/^(?!__)[\w-]{1,40}$/)
const AnyJson = z.json() as z.ZodType<Json>

/** One step from a record: to the one record that a link field leads to, or to the rows that hang on it by a link. */
export const Hop = z.discriminatedUnion('to', [
  z.strictObject({ to: z.literal('one'), field: Id }),
  z.strictObject({ to: z.literal('rows'), link: Id }),
])
export type Hop = Readonly<z.infer<typeof Hop>>

/** How records are reached from those of a list; none for the records themselves. */
export const Way = z.array(Hop).max(limits.hops).readonly()
export type Way = z.infer<typeof Way>

/** A field of the records that a way leads to. */
export const Place = z.strictObject({ way: Way, field: Id })
export type Place = Readonly<z.infer<typeof Place>>

/** What a field is compared with: a value as it is stored, one that is asked for when the list is run, or another field. */
export const Given = z.union([
  z.strictObject({
    value: z.string().max(limits.givenLength),
    /** What a record that is meant was called when it was last looked at. */
    called: z.string().max(limits.givenLength).optional(),
  }),
  z.strictObject({ ask: Id }),
  z.strictObject({ place: Place }),
])
export type Given = Readonly<z.infer<typeof Given>>

export const comparisons = [
  'is',
  'isNot',
  'more',
  'atLeast',
  'less',
  'atMost',
  'between',
  'oneOf',
  'contains',
  'begins',
  'ends',
  'looks',
  'blank',
  'filled',
] as const
export type Comparison = (typeof comparisons)[number]

const spanUnits = ['day', 'week', 'month', 'quarter', 'year'] as const

/** A stretch of days told from today: this week, last month, the last 30 days (`count` and not by the calendar). */
export const Span = z.strictObject({
  which: z.enum(['this', 'last', 'next']),
  unit: z.enum(spanUnits),
  /** So many of them up to today, or from today on, in place of the whole one of the calendar. */
  count: z.int().min(1).max(999).optional(),
})
export type Span = Readonly<z.infer<typeof Span>>

const plain = [
  /** A field of the record, or of one that it leads to, compared. */
  z.strictObject({
    kind: z.literal('compare'),
    place: Place,
    how: z.enum(comparisons),
    with: z.array(Given).max(limits.oneOf).readonly(),
  }),
  z.strictObject({ kind: z.literal('within'), place: Place, span: Span }),
  /** Others have the same in all of these fields; or nearly, but for capitals, accents, spaces and signs. */
  z.strictObject({
    kind: z.literal('repeats'),
    places: z.array(Place).min(1).max(limits.repeats).readonly(),
    nearly: z.literal(true).optional(),
  }),
  /** It is in another kept list of its table. */
  z.strictObject({ kind: z.literal('in'), list: Id }),
  /** What no comparison says: an expression over the list's own records, as a tree. */
  z.strictObject({ kind: z.literal('holds'), tree: AnyJson }),
] as const

export type Condition =
  | Readonly<z.infer<(typeof plain)[number]>>
  | { readonly kind: 'all' | 'any'; readonly of: readonly Condition[] }
  | { readonly kind: 'not'; readonly of: Condition }
  | {
      /** How many records a way leads to, of those that a condition of theirs holds of: at least, at most. */
      readonly kind: 'has'
      readonly way: Way
      readonly least?: number | undefined
      readonly most?: number | undefined
      readonly where?: Condition | undefined
    }

// Made level by level: what is deeper is no condition, before anything walks down there.
function conditionOf(depth: number): z.ZodType<Condition> {
  const inner = depth > 0 ? conditionOf(depth - 1) : z.never()
  return z.union([
    ...plain,
    z.strictObject({ kind: z.enum(['all', 'any']), of: z.array(inner).min(1).max(limits.conditions).readonly() }),
    z.strictObject({ kind: z.literal('not'), of: inner }),
    z.strictObject({
      kind: z.literal('has'),
      way: Way,
      least: z.int().min(0).max(9999).optional(),
      most: z.int().min(0).max(9999).optional(),
      where: inner.optional(),
    }),
  ])
}
export const Condition = conditionOf(limits.conditionDepth)

const gatherings = ['count', 'different', 'total', 'average', 'least', 'greatest'] as const

const alongs = ['share', 'running', 'rank', 'difference'] as const
export type Along = (typeof alongs)[number]

/** What stands in one column of a list. */
export const ColumnShows = z.discriminatedUnion('kind', [
  /** A field of the record, or of one record that it leads to. */
  z.strictObject({ kind: z.literal('field'), place: Place }),
  /** A field of several: all together in one place, or on a line each. */
  z.strictObject({ kind: z.literal('several'), place: Place, as: z.enum(['together', 'lines']) }),
  /** How many a way leads to, or what their fields come to. */
  z.strictObject({
    kind: z.literal('gathered'),
    way: Way,
    name: z.enum(gatherings),
    field: Id.optional(),
    where: Condition.optional(),
  }),
  /** Calculated from the record's own facts and those it leads to. */
  z.strictObject({ kind: z.literal('calculated'), tree: AnyJson }),
  /** What a number of the record is among those of all others of the list, in their order. */
  z.strictObject({ kind: z.literal('along'), column: Id, name: z.enum(alongs) }),
])
export type ColumnShows = Readonly<z.infer<typeof ColumnShows>>

export const Column = z.strictObject({
  id: Id,
  heading: z.string().trim().min(1).max(limits.nameLength).optional(),
  shows: ColumnShows,
})
export type Column = Readonly<z.infer<typeof Column>>

/** By which column rows are put in order, the first before the next. */
export const Order = z.strictObject({
  column: Id,
  down: z.literal(true).optional(),
  blanks: z.enum(['first', 'last']).optional(),
  /** Numbers within a text by what they come to: 2 before 10. */
  natural: z.literal(true).optional(),
})
export type Order = Readonly<z.infer<typeof Order>>

/** What is asked when a list is run, and what it starts with. */
export const Ask = z.strictObject({
  id: Id,
  words: z.string().trim().min(1).max(limits.nameLength),
  /** The field whose values are asked for. */
  place: Place,
  start: z.string().max(limits.givenLength).optional(),
})
export type Ask = Readonly<z.infer<typeof Ask>>

/** What is told of each group: how many records it has, or what they come to in one column. */
const Measure = z.union([z.strictObject({ size: z.literal(true) }), z.strictObject({ column: Id })])
export type Measure = Readonly<z.infer<typeof Measure>>

const First = z.int().min(1).max(limits.first)

const groupUnits = [...spanUnits, 'letter'] as const

/**
 * What records are put together by: a field of theirs, or of one record that they lead to. Days and moments by the
 * calendar, text by its first letter, numbers by so much each.
 */
export const Group = z.strictObject({
  place: Place,
  step: z
    .union([z.enum(groupUnits), z.strictObject({ every: z.string().regex(/^(?=.*[1-9])\d{1,9}(\.\d{1,4})?$/) })])
    .optional(),
  /** What groups are put in order by, in place of what they are put together by: their size, or a figure of theirs. */
  by: Measure.optional(),
  down: z.literal(true).optional(),
  /** Only so many of them, the first in their order. */
  first: First.optional(),
})
export type Group = Readonly<z.infer<typeof Group>>

/**
 * What the records of a group, or all of them, come to in one column; each that a column's way leads to counts once.
 * What is gathered for each record is gathered for all of them in the same manner, and has no name here.
 */
export const Figure = z.strictObject({
  column: Id,
  name: z.enum(['total', 'average', 'least', 'greatest', 'different']).optional(),
})
export type Figure = Readonly<z.infer<typeof Figure>>

const chartKinds = ['bars', 'stacked', 'lines', 'shares', 'scatter'] as const
export type ChartKind = (typeof chartKinds)[number]

/** Groups shown not as records under headings, but crossed (rows by the first, columns by the second) or as a chart. */
export const Shown = z.discriminatedUnion('as', [
  z.strictObject({ as: z.literal('crossed'), of: Measure }),
  z.strictObject({
    as: z.literal('chart'),
    of: Measure,
    chart: z.enum(chartKinds),
    /** What else is told of each group, where one is put against the other. */
    against: Measure.optional(),
  }),
])
export type Shown = Readonly<z.infer<typeof Shown>>

/** A question put to the records, kept under a name. */
export const List = z.strictObject({
  id: Id,
  table: Id,
  name: z.string().trim().min(1).max(limits.nameLength).optional(),
  describe: z.string().max(limits.describeLength).optional(),
  /** The folder that it lies in among the others. */
  folder: z.string().trim().min(1).max(limits.nameLength).optional(),
  /** Its number or its chart stands on the first page of Records. */
  pinned: z.literal(true).optional(),
  /** The database itself keeps what it counts and adds up, from the next opening on, so that it is quick. */
  ready: z.literal(true).optional(),
  /** The question among the needs that it answers, in its own words. */
  answers: z.string().max(300).optional(),
  /** Whose it is; everybody's where nobody's. */
  owner: Id.optional(),
  columns: z.array(Column).min(1).max(limits.columns).readonly(),
  where: Condition.optional(),
  asks: z.array(Ask).max(limits.asks).readonly(),
  order: z.array(Order).max(limits.orders).readonly(),
  groups: z.array(Group).min(1).max(limits.groups).readonly().optional(),
  figures: z.array(Figure).min(1).max(limits.columns).readonly().optional(),
  shown: Shown.optional(),
  /** Only so many records, the first in their order: of all, or of each innermost group. */
  first: First.optional(),
})
export type List = Readonly<z.infer<typeof List>>
