import * as z from 'zod'
import type { Json } from '../words'
import { Form } from './form'
import { FormLook } from './form-look'
import { limits } from './limits'
import { List } from './list'
import { Letterhead, Report } from './report'
import { Template } from './template'
import { Choices, FieldSettings, type KindName, kindNames, Look } from '../kinds'

const Id = z.string().min(1).max(40)
/** Any plain JSON. */
export const AnyJson = z.json() as z.ZodType<Json>
const Name = z.string().trim().min(1).max(limits.nameLength)

/** The name in the live database, where it isn't the one derived from the name on screen. */
const LiveName = z.string().min(1).max(48)

/** Something the office must keep or be able to ask, in its own words. */
export const Need = z.strictObject({
  id: Id,
  text: z.string().trim().min(1).max(limits.needLength),
  /** Ids of the tables, fields and links that meet it. */
  metBy: z.array(Id).readonly(),
})
export type Need = Readonly<z.infer<typeof Need>>

export const Field = z.strictObject({
  id: Id,
  name: Name,
  kind: z.enum(kindNames as [KindName, ...KindName[]]),
  liveName: LiveName.optional(),
  /**
   * What a derived field is made from, and when it freezes: expressions as trees that speak of fields by id.
   * Missing until the administrator says it.
   */
  source: AnyJson.optional(),
  freezes: AnyJson.optional(),
  ...FieldSettings.shape,
})
export type Field = Readonly<z.infer<typeof Field>>

export const Table = z.strictObject({
  id: Id,
  name: Name,
  describe: z.string().max(limits.describeLength).optional(),
  liveName: LiveName.optional(),
  /** A word list is a table of words that staff may extend; a joining table ties two others. */
  role: z.enum(['word-list', 'joining']).optional(),
  /** The words a word list starts with; staff may add others. */
  words: Choices.readonly().optional(),
  fields: z.array(Field).readonly(),
  /** Field ids, in order. */
  key: z.array(Id).readonly(),
  knownBy: z.array(Id).readonly(),
  /** Where its card was put on the map by hand, in map units. */
  spot: z
    .strictObject({ x: z.number(), y: z.number(), /** Tidying leaves it there. */ pinned: z.literal(true).optional() })
    .optional(),
})
export type Table = Readonly<z.infer<typeof Table>>

/** At most so many rows for each record of the one side; with `when`, only rows that say so count. */
export const Limit = z.strictObject({
  id: Id,
  most: z.int().min(1).max(9999),
  /** A tick that is set, or a choice that has this word. */
  when: z.strictObject({ field: Id, is: z.string().max(200) }).optional(),
})
export type Limit = Readonly<z.infer<typeof Limit>>

/**
 * A tie between two tables: each record of `many` points to one of `one` through `field`.
 * One-to-one where that field is unique. A must is the field's own; `least` 1 asks for a row on the many side.
 */
export const Link = z.strictObject({
  id: Id,
  one: Id,
  many: Id,
  field: Id,
  least: z.union([z.literal(0), z.literal(1)]),
  onRemove: z.enum(['keep', 'remove', 'leave']),
  /** How it reads from the one side: "is booked for". */
  label: z.string().max(limits.nameLength).optional(),
  /** How it reads the other way round. */
  back: z.string().max(limits.nameLength).optional(),
  limits: z.array(Limit).max(20).readonly().optional(),
})
export type Link = Readonly<z.infer<typeof Link>>

/**
 * What a rule says of one table's records. Expressions are trees that speak of fields by id; what they are
 * like inside is the room of expressions' to know.
 */
export const RuleSays = z.discriminatedUnion('kind', [
  /** Something that is true of every record, its links and the rows that hang on it. */
  z.strictObject({ kind: z.literal('holds'), tree: AnyJson }),
  /** No two records have all of these the same; blanks differ from each other, or are alike. */
  z.strictObject({
    kind: z.literal('together'),
    fields: z.array(Id).min(2).max(8).readonly(),
    blanks: z.enum(['differ', 'alike']),
  }),
  /** No two records with the same of these overlap in time; those that `unless` is true of don't count. */
  z.strictObject({
    kind: z.literal('apart'),
    same: z.array(Id).max(4).readonly(),
    from: Id,
    to: Id,
    unless: AnyJson.optional(),
  }),
  /** Once this is true of a record it changes no more, but for some fields; nor do the rows inset in it. */
  z.strictObject({
    kind: z.literal('closed'),
    once: AnyJson,
    except: z.array(Id).max(200).readonly(),
    rows: z.boolean(),
  }),
  /** Which word of a choice may come after which. */
  z.strictObject({
    kind: z.literal('follows'),
    field: Id,
    steps: z
      .array(z.strictObject({ from: Id, to: z.array(Id).max(200).readonly() }))
      .max(200)
      .readonly(),
  }),
])
export type RuleSays = Readonly<z.infer<typeof RuleSays>>

export const Rule = z.strictObject({
  id: Id,
  table: Id,
  says: RuleSays,
  /** What staff read when it refuses. */
  words: z.string().trim().min(1).max(200),
  /** It is asked of new records alone. */
  onlyNew: z.literal(true).optional(),
  /** It says its words, and staff may save all the same. */
  warns: z.literal(true).optional(),
})
export type Rule = Readonly<z.infer<typeof Rule>>

/** In earlier books a rule was what holds, and nothing else. */
const withSays = (rule: unknown): unknown => {
  if (typeof rule !== 'object' || rule === null || !('holds' in rule)) return rule
  const { holds, ...rest } = rule
  return { ...rest, says: { kind: 'holds', tree: holds } }
}

/** The answer that two tables have no direct link. */
export const Pair = z.strictObject({ id: Id, a: Id, b: Id })
export type Pair = Readonly<z.infer<typeof Pair>>

/** A proposal or a piece of advice that the administrator doesn't want, and why, while the thing stays as it was. */
export const Dismissal = z.strictObject({
  id: Id,
  /** What was dismissed, by a name that doesn't change: "advice/table-without-key/visit". */
  what: z.string().min(1).max(300),
  why: z.string().max(300).optional(),
  /** What the thing was like then; changed, it is spoken of again. */
  seen: z.string().max(64).optional(),
})
export type Dismissal = Readonly<z.infer<typeof Dismissal>>

/** A named ground behind some cards of the map. */
export const Area = z.strictObject({
  id: Id,
  name: Name,
  tone: z.enum(['spruce', 'brass', 'sky', 'moss', 'plum']),
  tables: z.array(Id).min(1).max(300),
})
export type Area = Readonly<z.infer<typeof Area>>

/** A note on the map, in map units from where its drawing begins. */
export const Remark = z.strictObject({
  id: Id,
  text: z.string().trim().min(1).max(limits.remarkLength),
  x: z.number().min(-1e5).max(1e5),
  y: z.number().min(-1e5).max(1e5),
})
export type Remark = Readonly<z.infer<typeof Remark>>

/** What is written in the corner of the map's sheet; what isn't said is told from the book. */
export const Sheet = z.strictObject({
  title: z.string().max(120).optional(),
  author: z.string().max(120).optional(),
  revision: z.string().max(40).optional(),
})

/** The design of one record book. Names are labels; everything refers to ids. */
export const Book = z.strictObject({
  format: z.literal(1),
  name: Name,
  look: Look,
  needs: z.array(Need).readonly(),
  tables: z.array(Table).readonly(),
  links: z.array(Link).readonly(),
  pairs: z.array(Pair).readonly(),
  rules: z.array(z.preprocess(withSays, Rule)).readonly().default([]),
  dismissed: z.array(Dismissal).readonly().default([]),
  areas: z.array(Area).readonly().default([]),
  remarks: z.array(Remark).readonly().default([]),
  sheet: Sheet.readonly().default({}),
  lists: z.array(List).readonly().default([]),
  reports: z.array(Report).readonly().default([]),
  templates: z.array(Template).readonly().default([]),
  forms: z.array(Form).readonly().default([]),
  formLook: FormLook.readonly().optional(),
  letterhead: Letterhead.readonly().optional(),
})
export type Book = Readonly<z.infer<typeof Book>>
