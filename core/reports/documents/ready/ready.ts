import { type Block, type Book, type Inline, type Table, tableOf, type Template } from '../../../book'
import { inSentence } from '../../../words'
import { rowWays } from '../read-rows'
import { type Found, inReach, isMoney, longFields, ReadyDraft, rowBlocks, shortFields, text, words } from './draft'

/** Documents that are laid out from a table's own fields, its rows, and what it leads to. */
export const readyKinds = ['sheet', 'letter', 'bill', 'receipt', 'certificate', 'card', 'label'] as const
export type ReadyKind = (typeof readyKinds)[number]

export const readyTitles: Readonly<Record<ReadyKind, string>> = {
  sheet: 'Everything on it',
  letter: 'Letter',
  bill: 'Bill',
  receipt: 'Receipt',
  certificate: 'Certificate',
  card: 'Job card',
  label: 'Label',
}

/** What a record's text is begun with, by its kind, and on which paper. */
const makers: Readonly<Record<ReadyKind, (draft: ReadyDraft) => readonly Block[]>> = {
  sheet,
  letter,
  bill,
  receipt,
  certificate,
  card,
  label,
}

/** Which of them make sense for a table, the likeliest first. */
export function readyFor(book: Book, table: Table): readonly ReadyKind[] {
  const draft = new ReadyDraft(book, table)
  const hasMoney = table.fields.some((field) => isMoney(book, field))
  const hasPaidRows = rowWays(book, table.id).some(
    ({ way, end }) => way.length === 1 && end.fields.some((field) => isMoney(book, field)),
  )
  const isGone: Partial<Record<ReadyKind, boolean>> = {
    bill: !hasMoney && !hasPaidRows,
    receipt: !hasMoney,
    label: addressOf(draft).length === 0 && personOf(draft) === undefined,
    letter: addressOf(draft).length === 0 && personOf(draft) === undefined,
  }
  return readyKinds.filter((kind) => !isGone[kind])
}

/**
 * A document of a table as the program writes it.
 * @param id its own, made by whoever wishes
 */
export function makeReady(book: Book, tableId: string, kind: ReadyKind, id: string): Template {
  const table = tableOf(book, tableId)
  const draft = new ReadyDraft(book, table)
  const blocks = makers[kind](draft)
  const name = kind === 'sheet' ? table.name : readyTitles[kind]
  const isTaken = (one: string) => book.templates.some((other) => other.name.toLowerCase() === one.toLowerCase())
  const free = isTaken(name) ? `${name} of ${inSentence(table.name)}` : name
  return { id, table: tableId, name: free, ...looks[kind], columns: draft.columns, blocks }
}

const upright = { paper: { size: 'a4', margin: 20 }, letters: 10.5 } as const
const looks: Readonly<Record<ReadyKind, Pick<Template, 'paper' | 'letters' | 'bare' | 'window' | 'labels'>>> = {
  sheet: upright,
  letter: { ...upright, window: 'uk' },
  bill: { ...upright, window: 'uk' },
  receipt: { paper: { size: 'a5', margin: 14, turned: true }, letters: 10 },
  certificate: upright,
  card: { paper: { size: 'a4', margin: 15 }, letters: 9.5, bare: true },
  // Three by eight on A4, from edge to edge.
  label: {
    paper: { size: 'a4', margin: 5 },
    letters: 10,
    bare: true,
    labels: { across: 3, down: 8, width: 70, height: 37, left: 0, top: 0.5, stepAcross: 70, stepDown: 37 },
  },
}

const isPersonTable = ({ fields }: Table) => fields.some(({ kind }) => kind === 'email' || kind === 'phone')
const personWords = /contact|customer|client|tenant|owner|member|patient|pupil|guest|person|payer|donor|hirer|borrower/i
const streetWords = /address|street|road|house|postcode|post code|zip|town|city|village|county|country/i

/** The name of who the record has to do with, the nearest first. */
function personOf({ book, table }: ReadyDraft): Found | undefined {
  const all = inReach(book, table)
  const end =
    all.find(({ table: one }) => personWords.test(one.name)) ?? all.find(({ table: one }) => isPersonTable(one))
  if (!end) return undefined
  const known = end.table.fields.filter(({ id }) => end.table.knownBy.includes(id))
  const field = end.table.fields.find(({ name }) => /name/i.test(name)) ?? known[0]
  return field && field.kind !== 'link' ? { way: end.way, table: end.table, field } : undefined
}

/** The fields of an address, of the nearest that has one. */
function addressOf({ book, table }: ReadyDraft): readonly Found[] {
  for (const { way, table: end } of inReach(book, table)) {
    const fields = end.fields.filter(
      ({ name, kind }) => streetWords.test(name) && ['line', 'code', 'passage'].includes(kind),
    )
    if (fields.length > 0) return fields.map((field) => ({ way, table: end, field }))
  }
  return []
}

function addressBlock(draft: ReadyDraft): Block[] {
  const person = personOf(draft)
  const lines = [...(person ? [person] : []), ...addressOf(draft)].map((found): Inline[] => [draft.chip(found)])
  return lines.length > 0 ? [{ kind: 'address', lines }] : []
}

const title = (said: string, align?: 'middle'): Block => ({
  kind: 'words',
  look: 'title',
  of: [text(said)],
  ...(align && { align }),
})
const today = (): Block => ({ kind: 'words', align: 'end', of: [{ kind: 'said', what: 'today' }] })

const ownFields = (
  draft: ReadyDraft,
  across: 1 | 2 | 3,
  isWanted: (field: Found['field']) => boolean = () => true,
): Block[] => fieldsBlock(draft, across, shortFields(draft.book, draft.table).filter(isWanted))

function fieldsBlock(draft: ReadyDraft, across: 1 | 2 | 3, fields: readonly Found['field'][]): Block[] {
  const columns = fields.map((field) => draft.column(draft.own(field)))
  return columns.length > 0 ? [{ kind: 'fields', across, columns }] : []
}

const passages = (draft: ReadyDraft): Block[] => fieldsBlock(draft, 1, longFields(draft.book, draft.table))

/** With blank ones too: what isn't known yet is filled in by hand. */
const withBlanks = (blocks: readonly Block[]): Block[] =>
  blocks.map((block) => (block.kind === 'fields' ? { ...block, blanks: true } : block))

/** Nothing at all where there are none. */
const silent = (blocks: readonly Block[]): Block[] =>
  blocks.map((block) => {
    if (block.kind !== 'rows') return block
    const { none: _none, ...rest } = block
    return rest
  })

function sheet(draft: ReadyDraft): Block[] {
  return [
    { kind: 'words', look: 'title', of: [text(`${draft.table.name} `), ...draft.known()] },
    ...ownFields(draft, 2),
    ...passages(draft),
    ...rowBlocks(draft),
  ]
}

function letter(draft: ReadyDraft): Block[] {
  const person = personOf(draft)
  return [
    ...addressBlock(draft),
    today(),
    words(text(`${draft.table.name} `, true), ...draft.known(true)),
    words(text('Dear '), person ? draft.chip(person, { none: 'Sir or Madam' }) : text('Sir or Madam'), text(',')),
    words(text('Write here what the letter says.')),
    words(text('Yours sincerely,')),
    words(),
    words(),
    words({ kind: 'said', what: 'who' }),
    words({ kind: 'said', what: 'book' }),
  ]
}

function bill(draft: ReadyDraft): Block[] {
  const { book, table } = draft
  const amounts = ownFields(draft, 1, (field) => isMoney(book, field))
  return [
    ...addressBlock(draft),
    title('Bill'),
    words(text(`${table.name} `), ...draft.known()),
    words(text('Written on '), { kind: 'said', what: 'today' }),
    ...silent(rowBlocks(draft, ({ fields }) => fields.some((field) => isMoney(book, field)))),
    ...(amounts.length > 0 ? [{ kind: 'line' } as const, ...amounts] : []),
  ]
}

function receipt(draft: ReadyDraft): Block[] {
  const { book, table } = draft
  const amount = table.fields.find((field) => isMoney(book, field))
  const person = personOf(draft)
  const received: Block[] = amount
    ? [
        words(
          text('Received '),
          draft.chip(draft.own(amount), { bold: true }),
          text(' ('),
          draft.chip(draft.own(amount), { as: 'words' }),
          text(')'),
        ),
        ...(person ? [words(text('from '), draft.chip(person, { none: 'the bearer' }))] : []),
      ]
    : []
  return [
    title('Receipt'),
    ...received,
    ...ownFields(draft, 2, (field) => field.id !== amount?.id),
    { kind: 'signatures', of: ['Received by'] },
  ]
}

function certificate(draft: ReadyDraft): Block[] {
  const address = addressOf(draft)
  return [
    words(),
    title('Certificate', 'middle'),
    { kind: 'words', align: 'middle', look: 'heading', of: draft.known() },
    ...(address.length > 0
      ? [{ kind: 'words', align: 'middle', of: joined(address.map((found) => draft.chip(found))) } as const]
      : []),
    { kind: 'line' },
    ...ownFields(draft, 2),
    ...passages(draft),
    { kind: 'signatures', of: ['Day', 'Signed for the office'] },
  ]
}

const joined = (chips: readonly Inline[]): Inline[] =>
  chips.flatMap((chip, at) => (at > 0 ? [text(', '), chip] : [chip]))

function card(draft: ReadyDraft): Block[] {
  const { table } = draft
  const near = inReach(draft.book, table, 2).slice(1, 4)
  // What is known of who and where, beside the record's own fields.
  const about = near.flatMap(({ way, table: end }): Block[] => {
    const fields = end.fields.filter(
      ({ name, kind }) => streetWords.test(name) || ['phone', 'email', 'passage'].includes(kind),
    )
    if (fields.length === 0) return []
    const columns = fields.map((field) => draft.column({ way, field }))
    return [
      { kind: 'words', look: 'heading', of: [text(end.name)] },
      { kind: 'fields', across: 2, columns },
    ]
  })
  return [
    { kind: 'words', look: 'title', of: [text(`${table.name} `), ...draft.known()] },
    ...withBlanks(ownFields(draft, 3)),
    ...passages(draft),
    ...about,
    ...silent(rowBlocks(draft)),
    { kind: 'words', look: 'heading', of: [text('Notes')] },
    { kind: 'room', lines: 6 },
    { kind: 'signatures', of: ['Done by', 'Customer'] },
  ]
}

function label(draft: ReadyDraft): Block[] {
  const [address] = addressBlock(draft)
  return [address ?? words(...draft.known(true))]
}
