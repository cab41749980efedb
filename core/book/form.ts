import * as z from 'zod'
import type { Json } from '../words'
import { formColumns, formRoles } from './form-columns'
import { limits } from './limits'

const Id = z.string().regex(/^(?!__)[\w-]{1,40}$/)

/** An expression over the record, as the room of expressions' keeps it. */
const Tree = z.json() as z.ZodType<Json>

const Words = z.string().trim().min(1).max(limits.nameLength)

/** What a part goes by, how many columns it takes, how many are left empty before it, and when it shows. */
const place = {
  id: Id,
  span: z.int().min(1).max(formColumns),
  gap: z
    .int()
    .min(1)
    .max(formColumns - 1)
    .optional(),
  /** It shows only where this is so; always where nothing is said. */
  shows: Tree.optional(),
}

/** It can't be typed on this form: `true` for always, or when this is so. */
const onlyRead = Tree.optional()

const plain = [
  /** A box of the table; it goes by its field's id. */
  z.strictObject({
    kind: z.literal('field'),
    ...place,
    label: Words.optional(),
    help: z.string().trim().min(1).max(limits.describeLength).optional(),
    /** Where its label stands; above the box where nothing is said. */
    labelled: z.enum(['beside', 'inside']).optional(),
    /** How many lines a passage or a picture is high. */
    tall: z.int().min(1).max(limits.formTall).optional(),
    /** It must be filled on this form when this is so, beyond what the table asks. */
    must: Tree.optional(),
    onlyRead,
  }),
  /** The rows that belong to the record; they go by their link's id. */
  z.strictObject({
    kind: z.literal('rows'),
    ...place,
    label: Words.optional(),
    /** Fields of a row that show, in their order; all where nothing is said. */
    columns: z.array(Id).min(1).max(limits.fieldsPerTable).readonly().optional(),
    /** How many are in sight before they scroll. */
    shown: z.int().min(1).max(limits.formRowsShown).optional(),
    /** Fields whose sum stands beneath. */
    sums: z.array(Id).min(1).max(limits.fieldsPerTable).readonly().optional(),
    /** Each row on a card of its own. */
    cards: z.literal(true).optional(),
    onlyRead,
  }),
  /** What the record comes to, a line each at the right, as on a bill. */
  z.strictObject({
    kind: z.literal('totals'),
    ...place,
    fields: z.array(Id).min(1).max(limits.fieldsPerTable).readonly(),
  }),
  /** What a linked record says of itself; `link` is the field that leads there. Never typed here. */
  z.strictObject({ kind: z.literal('linked'), ...place, link: Id, field: Id, label: Words.optional() }),
  z.strictObject({
    kind: z.literal('words'),
    ...place,
    words: z.string().trim().min(1).max(limits.describeLength),
    look: z.enum(['heading', 'small']).optional(),
  }),
  /** A line across. */
  z.strictObject({ kind: z.literal('line'), ...place }),
] as const

// The edit refuses more parts than a form may have in words; this is only what nobody comes to by pressing.
const mostLines = 10 * limits.formParts

const isWithin = (line: readonly { readonly span: number; readonly gap?: number | undefined }[]) =>
  line.reduce((sum, { span, gap = 0 }) => sum + span + gap, 0) <= formColumns

const linesOf = <Part extends z.ZodType<{ readonly span: number; readonly gap?: number | undefined }>>(part: Part) =>
  z.array(z.array(part).min(1).max(formColumns).readonly().refine(isWithin)).max(mostLines).readonly()

/** Parts under a heading, on twelve columns of their own. */
const Group = z.strictObject({
  kind: z.literal('group'),
  ...place,
  heading: Words.optional(),
  /** Only its heading shows until somebody unfolds it. */
  folded: z.literal(true).optional(),
  onlyRead,
  lines: linesOf(z.discriminatedUnion('kind', plain)),
})
const Part = z.discriminatedUnion('kind', [...plain, Group])

/**
 * How a table's records are typed, as the office wants it: lines of parts on twelve columns, so that nothing can lie
 * over anything else.
 */
export const Form = z.strictObject({
  id: Id,
  table: Id,
  name: Words,
  lines: linesOf(Part),
  /** Fields and links that it leaves out; what is in neither was added to the table since, and stands on it too. */
  without: z
    .array(Id)
    .max(limits.fieldsPerTable + limits.links)
    .readonly(),
  /** Whom it is for; everybody where nothing is said. */
  for: z.array(z.enum(formRoles)).min(1).max(formRoles.length).readonly().optional(),
  /** What a new record starts with on it, as it is typed, by field. */
  starts: z.record(Id, z.string().max(limits.givenLength)).readonly().optional(),
})
export type Form = Readonly<z.infer<typeof Form>>

export type FormPart = Form['lines'][number][number]
export type FormGroup = Extract<FormPart, { kind: 'group' }>
export type PlainPart = Exclude<FormPart, { kind: 'group' }>
export type FormLines = Form['lines']
