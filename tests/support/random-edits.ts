import fc from 'fast-check'
import type { Book, Edit, Field, Form } from '@/core/book'
import { isDerived, kindNames } from '@/core/kinds'

const typedKinds = kindNames.filter((kind) => !isDerived({ kind }))

/** A throw of dice that becomes an edit once there is a book to aim at. */
export interface Dice {
  readonly act: number
  readonly aim: readonly number[]
  readonly words: string
  readonly yes: readonly boolean[]
}

export const dice: fc.Arbitrary<Dice> = fc.record({
  act: fc.nat(48),
  aim: fc.array(fc.nat(997), { minLength: 6, maxLength: 6 }),
  words: fc.oneof(
    fc.constantFrom('Visit', 'Premises', 'Part', 'Order', 'Ladder height', 'Note', 'Fuel', '', '   '),
    fc.string({ unit: 'grapheme', maxLength: 70 }),
  ),
  yes: fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }),
})

/** The expression that a field is blank, or that it isn't. */
function isFilled(field: string, blank: boolean): Field['source'] & object {
  const truth = { is: 'truth' }
  const isNull = { kind: 'isNull', of: { kind: 'fact', over: [], field, type: { is: 'text' } }, type: truth }
  return blank ? isNull : { kind: 'not', of: isNull, type: truth }
}

/** A derived field, sound if the table has something to derive it from. */
function derivedField(book: Book, table: string, { act, aim, words, yes }: Dice, turn: number): Edit {
  const own = (id: string) => book.tables.find((one) => one.id === id)?.fields ?? []
  const some = <T>(all: readonly T[], at: number): T | undefined => all[aim[at]! % Math.max(1, all.length)]
  const plain = (id: string) => own(id).filter((field) => !['link', 'file'].includes(field.kind) && !isDerived(field))
  const leading = some(
    book.links.filter((link) => link.many === table),
    1,
  )
  const hanging = some(
    book.links.filter((link) => link.one === table),
    2,
  )
  const fact = (over: string[], field: string) => ({ kind: 'fact', over, field, type: { is: 'text' } })
  const filled = (field: string) => isFilled(field, yes[2]!)
  const field = `n${turn}-0`
  const far = leading && some(plain(leading.one), 3)
  const near = some(plain(table), 4)
  const [holds, source] =
    act === 37 && leading && far
      ? [yes[0] ? ('borrowed' as const) : ('copied' as const), fact([leading.field], far.id)]
      : act === 38 && hanging
        ? ['gathered' as const, { kind: 'aggregate', name: 'COUNT', link: hanging.id, type: { is: 'exact' } }]
        : ['workedOut' as const, filled(near?.id ?? 'nobody')]
  const freezes = holds === 'workedOut' && yes[3] && near ? { freezes: filled(near.id) } : {}
  return {
    kind: 'together',
    say: 'Derive a fact',
    edits: [
      { kind: 'addField', table, id: field, name: words, holds },
      { kind: 'changeField', field, to: { source, ...freezes } },
    ],
  }
}

/** An edit of what is on the map besides cards and lines, and of where cards are. */
function mapEdit(book: Book, { act, aim, words, yes }: Dice, id: string, table: string): Edit {
  const some = <T extends { readonly id: string }>(all: readonly T[]) => all[aim[1]! % (all.length + 1)]?.id ?? 'nobody'
  const spot = { x: aim[2]! - 400, y: aim[3]! - 400 }
  const [area, remark] = [some(book.areas), some(book.remarks)]
  if (act === 41) {
    if (yes[0]) return { kind: 'addArea', id, name: words, tone: yes[1] ? 'sky' : 'moss', tables: [table] }
    return yes[1] ? { kind: 'changeArea', id: area, name: words, tone: 'plum' } : { kind: 'removeArea', id: area }
  }
  if (act === 42) {
    if (yes[0]) return { kind: 'addRemark', id, text: words, ...spot }
    return yes[1]
      ? { kind: 'changeRemark', id: remark, ...(yes[2] ? { text: words } : spot) }
      : { kind: 'removeRemark', id: remark }
  }
  if (act === 43)
    return yes[0] ? { kind: 'pinTables', spots: [{ table, ...spot }], pinned: yes[1]! } : { kind: 'tidyMap' }
  const link = some(book.links)
  return yes[0]
    ? { kind: 'changeSheet', sheet: { title: words, ...(yes[1] && { author: 'Averil' }) } }
    : { kind: 'changeLink', link, label: words.slice(0, 60), back: 'belongs to' }
}

/** An edit of the forms that records are typed in: some of a table's fields and rows, in a group or not, some of them under a condition. */
function formEdit(book: Book, { aim, words, yes }: Dice, id: string, tableId: string): Edit {
  const own = book.tables.find((one) => one.id === tableId)?.fields ?? []
  const form = book.forms[aim[1]! % (book.forms.length + 1)]
  const when = isFilled(own[aim[2]! % Math.max(1, own.length)]?.id ?? 'nobody', yes[0]!)
  const boxes = own
    .filter((_, at) => (aim[3]! >> at) & 1)
    .map(({ id: field }) => ({
      kind: 'field' as const,
      id: field,
      span: 6,
      ...(yes[1] && { shows: when, must: when }),
    }))
  const [link] = book.links.filter(({ one }) => one === tableId)
  const lines: Form['lines'] = [
    ...(yes[2] ? boxes.map((box) => [box]) : []),
    [
      {
        kind: 'group',
        id: `${id}-g`,
        span: 12,
        heading: 'Some',
        onlyRead: when,
        lines: yes[2] ? [] : boxes.map((box) => [box]),
      },
    ],
    ...(link ? [[{ kind: 'rows' as const, id: link.id, span: 12 }]] : []),
  ]
  const without = own.filter((field) => !boxes.some((box) => box.id === field.id)).map((field) => field.id)
  const parts = { name: words.slice(0, 60), lines, without, ...(yes[3] && { for: ['staff' as const] }) }
  if (yes[4]) return { kind: 'addForm', id, table: tableId, ...parts }
  if (!form || yes[5]) return { kind: 'removeForm', form: form?.id ?? 'nobody' }
  return { kind: 'changeForm', form: form.id, to: parts }
}

/** Aims the dice at the parts of this book. Now and then at nothing, so that refusals happen too. */
export function aimed(book: Book, { act, aim, words, yes }: Dice, turn: number): Edit {
  const id = (slot: number) => `n${turn}-${slot}`
  const one = (parts: readonly { readonly id: string }[], at: number) =>
    parts[aim[at]! % (parts.length + 1)]?.id ?? 'nobody'
  const table = (at: number) => one(book.tables, at)
  const fields = book.tables.flatMap((candidate) => candidate.fields)
  const field = (at: number) => one(fields, at)
  const need = one(book.needs, 0)
  const own = book.tables.find((candidate) => candidate.id === table(0))?.fields ?? []
  const some = own
    .filter((_, at) => (aim[1]! >> at) & 1)
    .map((part) => part.id)
    .slice(0, 8)
  const before = yes[0] ? null : one(own, 2)
  const list = one(
    book.tables.filter((candidate) => candidate.role === 'word-list'),
    3,
  )
  switch (act) {
    case 0:
      return {
        kind: 'addNeeds',
        needs: [
          { id: id(0), text: words },
          { id: id(1), text: 'Each visit has one premises.' },
        ],
      }
    case 1:
      return { kind: 'changeNeed', need, text: words }
    case 2:
      return { kind: 'removeNeed', need }
    case 3:
      return { kind: 'moveNeed', need, before: yes[0] ? null : one(book.needs, 1) }
    case 4:
    case 5:
      return {
        kind: 'tieNeed',
        need,
        part: yes[0] ? table(1) : yes[1] ? field(1) : one(yes[3] ? book.rules : book.links, 1),
        met: yes[2]!,
      }
    case 6:
    case 7:
      return {
        kind: 'addTable',
        id: id(0),
        name: words,
        keyField: id(1),
        ...(yes[0] && yes[1] && { role: 'word-list' as const }),
      }
    case 8:
      return { kind: 'renameTable', table: table(0), name: words }
    case 9:
      return { kind: 'describeTable', table: table(0), describe: words }
    case 10: {
      const links = book.links.filter((link) => link.many === table(0))
      const ids = Object.fromEntries([...own, ...links].map((part, at) => [part.id, id(at + 1)]))
      return { kind: 'copyTable', table: table(0), id: id(0), name: words, ids }
    }
    case 11:
      return { kind: 'removeTable', table: table(0) }
    case 12:
      return { kind: 'setKey', table: table(0), fields: some }
    case 13:
      return { kind: 'setKnownBy', table: table(0), fields: some.length > 0 ? some : ['nobody'] }
    case 14:
      return { kind: 'placeTables', spots: [{ table: table(0), x: aim[1]!, y: aim[2]! }] }
    case 15:
    case 16:
      return {
        kind: 'addField',
        table: table(0),
        id: id(0),
        name: words,
        holds: typedKinds[aim[1]! % typedKinds.length]!,
        before,
      }
    case 17:
      return {
        kind: 'changeField',
        field: field(0),
        to: {
          ...(yes[0] && { kind: typedKinds[aim[1]! % typedKinds.length]! }),
          ...(yes[1] && { must: yes[2]! }),
          ...(yes[3] && { least: String(aim[2]) }),
          ...(yes[4] && { most: String(aim[3]) }),
          ...(yes[5] && { name: words }),
        },
      }
    case 18:
      return { kind: 'removeField', field: field(0) }
    case 19:
      return { kind: 'moveField', field: own[0] ? one(own, 3) : 'nobody', before }
    case 20:
    case 21:
      return {
        kind: 'answerPairing',
        a: table(0),
        b: table(1),
        aHasSeveral: yes[0]!,
        bHasSeveral: yes[1]!,
        aMust: yes[2]!,
        bMust: yes[3]!,
        ids: { table: id(0), links: [id(1), id(2)], fields: [id(3), id(4)] },
        ...(yes[4] && book.links.length > 0 && { instead: one(book.links, 3) }),
      }
    case 22:
      return yes[5]
        ? { kind: 'untie', tie: one(book.links, 0) }
        : { kind: 'changeLink', link: one(book.links, 0), must: yes[0]!, onRemove: yes[1] ? 'leave' : 'remove' }
    case 23:
      return yes[0]
        ? { kind: 'sayNoTie', a: table(0), b: table(1), id: id(0) }
        : { kind: 'askAgain', a: table(0), b: table(1) }
    case 24: {
      const link = one(book.links, 0)
      const many = book.links.find((candidate) => candidate.id === link)?.many
      const asked = book.tables.find((candidate) => candidate.id === many)?.fields[aim[1]! % 5]?.id ?? 'nobody'
      const limit = { id: id(0), most: 1 + (aim[2]! % 9), ...(yes[0] && { when: { field: asked, is: '1' } }) }
      return { kind: 'limitLink', link, limits: yes[1] ? [limit] : [] }
    }
    case 25:
      return yes[0]
        ? {
            kind: 'dismiss',
            id: id(0),
            what: `piece/${aim[0]! % 5}`,
            name: 'a piece',
            ...(yes[1] && { why: words.slice(0, 200) }),
          }
        : { kind: 'wantAgain', what: `piece/${aim[0]! % 5}`, name: 'a piece' }
    case 26:
    case 27:
      return {
        kind: 'together',
        say: 'Several at once',
        edits: [
          { kind: 'addTable', id: id(0), name: words, keyField: id(1) },
          { kind: 'addField', table: yes[0] ? id(0) : 'nobody', id: id(2), name: 'Note', holds: 'passage' },
          { kind: 'removeField', field: field(2) },
        ],
      }
    case 28:
    case 29:
      return {
        kind: 'splitTable',
        table: table(0),
        id: id(0),
        keyField: id(1),
        link: id(2),
        linkField: id(3),
        name: words,
        fields: some.length > 0 ? some : ['nobody'],
        as: yes[0] ? 'kind' : 'rows',
      }
    case 31:
      return {
        kind: 'choicesToList',
        field: one(
          fields.filter((candidate) => candidate.kind === 'choice'),
          0,
        ),
        id: id(0),
        keyField: id(1),
        link: id(2),
        name: words,
      }
    case 32:
      return yes[0]
        ? { kind: 'listToChoices', table: list }
        : { kind: 'changeWords', table: list, words: yes[1] ? [{ id: id(0), word: words.slice(0, 100) || '-' }] : [] }
    case 30:
      return { kind: 'mergeTables', from: table(0), into: table(1) }
    case 34:
    case 35: {
      const spoken = yes[0] ? own.filter((one) => some.includes(one.id)) : own
      const tree = isFilled(spoken.find((one) => one.kind !== 'link')?.id ?? 'nobody', yes[1]!)
      return yes[2] && book.rules.length > 0
        ? { kind: 'changeRule', rule: one(book.rules, 3), ...(yes[3] ? { words } : { says: { kind: 'holds', tree } }) }
        : { kind: 'addRule', id: id(0), table: table(0), says: { kind: 'holds', tree }, words }
    }
    case 36:
      return { kind: 'removeRule', rule: one(book.rules, 0) }
    case 33:
      return { kind: 'nameLive', part: yes[0] ? table(0) : field(0), name: yes[1] ? words : `own_${aim[1]! % 3}` }
    case 37:
    case 38:
    case 39:
      return derivedField(book, table(0), { act, aim, words, yes }, turn)
    case 46:
    case 47:
    case 48:
      return formEdit(book, { act, aim, words, yes }, id(0), table(0))
    case 41:
    case 42:
    case 43:
    case 44:
      return mapEdit(book, { act, aim, words, yes }, id(0), table(0))
    default:
      return yes[1]
        ? { kind: 'changeLook', look: { naming: yes[2] ? 'plural' : 'capitals' } }
        : { kind: 'changeLook', name: words || 'Book', look: { currency: yes[0] ? '€' : '£' } }
  }
}
