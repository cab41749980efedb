import * as z from 'zod'
import { limits } from './limits'
import { PaperColour } from './paper-colour'

const Id = z.string().regex(/^(?!__)[\w-]{1,40}$/)

const paperNames = ['a4', 'a5', 'letter', 'legal'] as const
export type PaperName = (typeof paperNames)[number]

/** Paper and its margins, in millimetres. */
export const Paper = z.strictObject({
  size: z.union([
    z.enum(paperNames),
    z.strictObject({ width: z.int().min(60).max(900), height: z.int().min(60).max(900) }),
  ]),
  /** On its side. */
  turned: z.literal(true).optional(),
  margin: z.int().min(5).max(60),
})
export type Paper = Readonly<z.infer<typeof Paper>>

/** A picture that is kept with the book, by its hash, and how large it is in dots. */
export const Picture = z.strictObject({
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  width: z.int().min(1).max(4000),
  height: z.int().min(1).max(4000),
})
export type Picture = Readonly<z.infer<typeof Picture>>

/** What stands at the head and the foot of everything that the office prints. */
export const Letterhead = z.strictObject({
  name: z.string().max(limits.nameLength).optional(),
  /** Where the office is and how it is reached, a line each. */
  lines: z.string().max(limits.letterheadLength).optional(),
  foot: z.string().max(limits.letterheadLength).optional(),
  logo: Picture.optional(),
  /** What headings are printed in, and lines, on everything that has the letterhead. */
  colours: z.strictObject({ words: PaperColour.optional(), lines: PaperColour.optional() }).optional(),
})
export type Letterhead = Readonly<z.infer<typeof Letterhead>>

const Words = z.string().max(limits.describeLength)

/** A list on paper. What isn't said is as the program lays it out. */
export const Report = z.strictObject({
  id: Id,
  list: Id,
  /** Its heading; as the list is called, where it has none. */
  name: z.string().trim().min(1).max(limits.nameLength).optional(),
  opening: Words.optional(),
  closing: Words.optional(),
  paper: Paper,
  /** How large letters are, in points. */
  letters: z.number().min(6).max(14),
  /** What parts one row from the next. */
  rows: z.enum(['lines', 'tint', 'none']),
  /** How much room is around each row. */
  room: z.enum(['tight', 'usual', 'wide']),
  /** Without the sentence that says what was asked. */
  plain: z.literal(true).optional(),
  /** Each outermost group begins a page. */
  apart: z.literal(true).optional(),
  /** Its groups as a chart before its rows, with nothing besides, or not at all; as the list is shown where nothing is said. */
  chart: z.enum(['with', 'none', 'alone']).optional(),
  /** What rows come to so far stands at the foot of each page, and again at the head of the next. */
  carried: z.literal(true).optional(),
  /** Each row stands in two lines, the second further in; in more where even that is too narrow. */
  folded: z.literal(true).optional(),
  /** Columns of the list that paper leaves out. */
  without: z.array(Id).max(limits.columns).readonly().optional(),
  /** The order of columns on paper, where it is another than the list's; those that aren't named come after. */
  order: z.array(Id).max(limits.columns).readonly().optional(),
})
export type Report = Readonly<z.infer<typeof Report>>
