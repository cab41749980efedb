import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '@/tests/support/runs'
import { type Block, type Inline, type Mail, Template } from '@/core/book'
import { templateOf } from './template-of'
import { textOf } from './text-of'

const words = fc.string({ minLength: 1, maxLength: 20 })
const bold = fc.option(fc.constant(true as const), { nil: undefined })
const tidy = <T extends object>(one: T): T =>
  Object.fromEntries(Object.entries(one).filter(([, value]) => value !== undefined)) as T
const inline = fc
  .oneof(
    fc.record({ kind: fc.constant('text' as const), words, bold }),
    fc.record({
      kind: fc.constant('field' as const),
      column: fc.constantFrom('c1', 'c2', 'c3'),
      as: fc.constantFrom('long' as const, 'words' as const, undefined),
      none: fc.option(words, { nil: undefined }),
      bold,
    }),
    fc.record({ kind: fc.constant('said' as const), what: fc.constantFrom('today' as const, 'who' as const), bold }),
    fc.constant({ kind: 'turn' as const }),
  )
  .map((one) => tidy(one) as Inline)
const line = fc.array(inline, { maxLength: 6 })
const plain = fc.oneof(
  fc.record({
    kind: fc.constant('words' as const),
    look: fc.constantFrom('title' as const, 'heading' as const, 'small' as const, undefined),
    align: fc.constantFrom('middle' as const, 'end' as const, undefined),
    of: line,
  }),
  fc.record({ kind: fc.constant('point' as const), numbered: bold, of: line }),
  fc.record({ kind: fc.constant('address' as const), lines: fc.array(line, { minLength: 1, maxLength: 4 }) }),
  fc.record({
    kind: fc.constant('fields' as const),
    columns: fc.uniqueArray(fc.constantFrom('c1', 'c2', 'c3'), { minLength: 1 }),
    across: fc.integer({ min: 1, max: 3 }),
    blanks: bold,
  }),
  fc.record({
    kind: fc.constant('code' as const),
    as: fc.constantFrom('code128' as const, 'qr' as const, 'ean' as const),
    column: fc.constantFrom('c1', 'c2'),
    bare: bold,
  }),
  fc.record({
    kind: fc.constant('picture' as const),
    picture: fc.constant({ hash: 'a'.repeat(64), width: 300, height: 200 }),
    wide: fc.integer({ min: 5, max: 200 }),
    align: fc.constantFrom('middle' as const, 'end' as const, undefined),
  }),
  fc.record({
    kind: fc.constant('table' as const),
    rows: fc.array(fc.array(line, { minLength: 2, maxLength: 2 }), { minLength: 1, maxLength: 3 }),
    headed: bold,
  }),
  fc.constant({ kind: 'line' as const }),
  fc.record({ kind: fc.constant('room' as const), lines: fc.integer({ min: 1, max: 9 }) }),
  fc.record({ kind: fc.constant('signatures' as const), of: fc.array(words, { minLength: 1, maxLength: 3 }) }),
  fc.constant({ kind: 'turn' as const }),
)
const block: fc.Arbitrary<Block> = fc
  .oneof(
    { weight: 5, arbitrary: plain },
    fc.record({
      kind: fc.constant('only' as const),
      id: fc.constant('b1'),
      when: fc.constant({ kind: 'has' as const, way: [], least: 1 }),
      of: fc.array(
        plain.map((one) => tidy(one) as Block),
        { minLength: 1, maxLength: 3 },
      ),
    }),
  )
  .map((one) => tidy(one) as Block)
const mail = fc
  .record({
    to: fc.constantFrom('c1', 'c3'),
    subject: line,
    message: fc.array(line, { minLength: 1, maxLength: 4 }),
    attached: bold,
  })
  .map((one): Mail => tidy(one))
const shows = (field: string) => ({ kind: 'field' as const, place: { way: [], field } })

test('a document is the same again once it was in the editor, its columns as they come', () => {
  fc.assert(
    fc.property(fc.array(block, { maxLength: 8 }), fc.option(mail, { nil: undefined }), (blocks, letter) => {
      const template: Template = {
        id: 'bill',
        table: 'visit',
        name: 'Bill',
        paper: { size: 'a4', margin: 20 },
        letters: 10,
        window: 'uk',
        ...(letter && { mail: letter }),
        columns: ['c1', 'c2', 'c3'].map((id) => ({ id, shows: shows(`field-${id}`) })),
        blocks,
      }
      const text = textOf(template)
      const again = templateOf(template, JSON.parse(JSON.stringify(text)) as typeof text)
      // The same text, whatever its columns are called; an empty line at the end is the editor's own.
      const isSpare = (one: Block | undefined) => one?.kind === 'words' && one.of.length === 0
      const wished = isSpare(blocks.at(-1)) ? { ...template, blocks: blocks.slice(0, -1) } : template
      const bare = (one: Template) => ({ ...textOf({ ...one }), attrs: undefined })
      expect(bare(again)).toEqual(bare(wished))
      const { columns: _columns, blocks: _blocks, mail: _mail, ...rest } = again
      expect({ ...template, ...rest }).toEqual(template)
      // Once its columns are numbered so, it stays as it is.
      expect(templateOf(again, textOf(again))).toEqual(again)
      expect(Template.safeParse(again).success).toBe(true)
    }),
    runs(300),
  )
})
