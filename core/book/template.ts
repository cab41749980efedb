import * as z from 'zod'
import { limits } from './limits'
import { Column, Condition, Figure, Order, Way } from './list'
import { Paper, Picture } from './report'

const Id = z.string().regex(/^(?!__)[\w-]{1,40}$/)
const isBold = z.literal(true).optional()

/** How a value is written, other than as everywhere. */
const writings = ['long', 'weekday', 'words', 'counted', 'capitals'] as const
const Writing = z.enum(writings).optional()
export type Writing = (typeof writings)[number]

/** What stands in a line of a document. */
export const Inline = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('text'), words: z.string().min(1).max(limits.passageLength), bold: isBold }),
  /** What the record has in one of the document's columns. */
  z.strictObject({
    kind: z.literal('field'),
    column: Id,
    as: Writing,
    /** What is counted, where it is written so: "3 appliances". */
    noun: z.string().trim().min(1).max(limits.nameLength).optional(),
    /** Said in its place where there is nothing. */
    none: z.string().max(limits.nameLength).optional(),
    bold: isBold,
  }),
  /** What isn't the record's own: the day, who hands it out, what the book is called, the number it is handed out under. */
  z.strictObject({
    kind: z.literal('said'),
    what: z.enum(['today', 'who', 'book', 'number']),
    as: Writing,
    bold: isBold,
  }),
  /** The same paragraph goes on in a new line. */
  z.strictObject({ kind: z.literal('turn') }),
])
export type Inline = Readonly<z.infer<typeof Inline>>

const Line = z.array(Inline).max(limits.inlines).readonly()

/** Rows that belong to the record, as a list of their own table has them. */
const Rows = z.strictObject({
  kind: z.literal('rows'),
  id: Id,
  /** From the record to its rows: links that lead to several, one after the other. */
  way: Way,
  columns: z.array(Column).min(1).max(limits.rowColumns).readonly(),
  where: Condition.optional(),
  order: z.array(Order).max(limits.orders).readonly(),
  /** What they come to, beneath them. */
  figures: z.array(Figure).min(1).max(limits.rowColumns).readonly().optional(),
  heading: z.string().trim().min(1).max(limits.nameLength).optional(),
  /** Said where there are none; nothing at all stands there otherwise. */
  none: z.string().trim().min(1).max(limits.nameLength).optional(),
})

/** Codes that scanners read. */
export const codeKinds = ['code128', 'qr', 'ean'] as const
export type CodeKind = (typeof codeKinds)[number]

const plain = [
  z.strictObject({
    kind: z.literal('words'),
    look: z.enum(['title', 'heading', 'small']).optional(),
    align: z.enum(['middle', 'end']).optional(),
    of: Line,
  }),
  /** One of several points under each other. */
  z.strictObject({ kind: z.literal('point'), numbered: z.literal(true).optional(), of: Line }),
  /** Where it goes to, a line each; lines of nothing but blank fields are left out. */
  z.strictObject({ kind: z.literal('address'), lines: z.array(Line).max(limits.addressLines).readonly() }),
  /** Columns of the record with what they are called, beside each other. */
  z.strictObject({
    kind: z.literal('fields'),
    columns: z.array(Id).min(1).max(limits.columns).readonly(),
    across: z.int().min(1).max(3),
    /** With those that are blank, to be filled in by hand. */
    blanks: z.literal(true).optional(),
  }),
  Rows,
  /** What a column has as a code for scanning. */
  z.strictObject({
    kind: z.literal('code'),
    as: z.enum(codeKinds),
    column: Id,
    align: z.enum(['middle', 'end']).optional(),
    /** Without what it says beneath. */
    bare: z.literal(true).optional(),
  }),
  /** A picture that is kept with the book, so many millimetres wide. */
  z.strictObject({
    kind: z.literal('picture'),
    picture: Picture,
    wide: z.int().min(5).max(400),
    align: z.enum(['middle', 'end']).optional(),
  }),
  /** A table of one's own: its rows, each with as many lines of text as it has columns. */
  z.strictObject({
    kind: z.literal('table'),
    rows: z.array(z.array(Line).min(1).max(limits.tableColumns).readonly()).min(1).max(limits.tableRows).readonly(),
    /** The first row names the columns, and stands again on each page. */
    headed: z.literal(true).optional(),
  }),
  /** A line across. */
  z.strictObject({ kind: z.literal('line') }),
  /** Room to write in by hand, so many lines high. */
  z.strictObject({ kind: z.literal('room'), lines: z.int().min(1).max(40) }),
  /** Lines to sign on beside each other, and what stands under each. */
  z.strictObject({
    kind: z.literal('signatures'),
    of: z.array(z.string().trim().min(1).max(limits.nameLength)).min(1).max(3).readonly(),
  }),
  /** What comes next begins a page. */
  z.strictObject({ kind: z.literal('turn') }),
] as const
type Plain = Readonly<z.infer<(typeof plain)[number]>>

export type RowsBlock = Extract<Plain, { kind: 'rows' }>
export type Block =
  | Plain
  /** What stands there only where a condition holds of the record. */
  | { readonly kind: 'only'; readonly id: string; readonly when: Condition; readonly of: readonly Block[] }

// As deep as people can still follow, and no deeper.
function blockOf(depth: number): z.ZodType<Block> {
  const inner = depth > 0 ? blockOf(depth - 1) : z.never()
  return z.union([
    ...plain,
    z.strictObject({
      kind: z.literal('only'),
      id: Id,
      when: Condition,
      of: z.array(inner).min(1).max(limits.blocks).readonly(),
    }),
  ])
}
export const Block = blockOf(limits.onlyDepth)

/** Labels on a sheet, in millimetres. */
export const Labels = z.strictObject({
  across: z.int().min(1).max(20),
  down: z.int().min(1).max(50),
  width: z.number().min(10).max(900),
  height: z.number().min(5).max(900),
  left: z.number().min(0).max(200),
  top: z.number().min(0).max(200),
  /** From the beginning of one to that of the next. */
  stepAcross: z.number().min(10).max(900),
  stepDown: z.number().min(5).max(900),
})
export type Labels = Readonly<z.infer<typeof Labels>>

/** Where the address stands so that it shows in an envelope's window. */
export const windows = ['din-a', 'din-b', 'uk', 'us'] as const
export type Window = (typeof windows)[number]

/** What is handed out is kept as it was; with a number without gaps, where that is wished. */
export const Handed = z.strictObject({
  numbered: z
    .strictObject({
      prefix: z.string().trim().min(1).max(20).optional(),
      width: z.int().min(1).max(9).optional(),
      /** From one again each year, which stands before it. */
      yearly: z.literal(true).optional(),
    })
    .optional(),
  /** The day is filled into this field of the record, where it is blank. */
  notes: Id.optional(),
})
export type Handed = Readonly<z.infer<typeof Handed>>

/** What is written to whoever gets it by e-mail. */
export const Mail = z.strictObject({
  /** The column whose addresses it goes to. */
  to: Id,
  subject: Line,
  /** Its paragraphs. */
  message: z.array(Line).min(1).max(limits.mailParagraphs).readonly(),
  /** With the document itself, as a PDF. */
  attached: z.literal(true).optional(),
})
export type Mail = Readonly<z.infer<typeof Mail>>

/** What is written for each record of a table: a bill, a certificate, a letter. */
export const Template = z.strictObject({
  id: Id,
  table: Id,
  name: z.string().trim().min(1).max(limits.nameLength),
  paper: Paper,
  letters: z.number().min(6).max(14),
  /** Without the office's letterhead. */
  bare: z.literal(true).optional(),
  window: z.enum(windows).optional(),
  labels: Labels.optional(),
  handed: Handed.optional(),
  mail: Mail.optional(),
  /** What its text takes from the record, and from what it leads to. */
  columns: z.array(Column).max(limits.columns).readonly(),
  blocks: z.array(Block).max(limits.blocks).readonly(),
})
export type Template = Readonly<z.infer<typeof Template>>

/** All blocks, those within others after the one that they are in. */
export const blocksIn = (blocks: readonly Block[]): readonly Block[] =>
  blocks.flatMap((block) => (block.kind === 'only' ? [block, ...blocksIn(block.of)] : [block]))

/** The lines of an e-mail. */
export const linesOfMail = ({ subject, message }: Mail): readonly (readonly Inline[])[] => [subject, ...message]

/** The lines of text in a block. */
export function linesIn(block: Block): readonly (readonly Inline[])[] {
  if (block.kind === 'words' || block.kind === 'point') return [block.of]
  if (block.kind === 'table') return block.rows.flat()
  return block.kind === 'address' ? block.lines : []
}

/** The pictures that stand in a text, by their hashes. */
export const picturesIn = ({ blocks }: Pick<Template, 'blocks'>): readonly string[] =>
  blocksIn(blocks).flatMap((block) => (block.kind === 'picture' ? [block.picture.hash] : []))
