import { type Edit, type Field, type Link, applyEdit, type Book, type RuleSays, tableOf } from '@/core/book'
import { storeTree, readExpression } from '@/core/expressions'
import type { KindName } from '@/core/kinds'
import { keptOtherwise, noPlaceFor, sameWord } from '@/core/needs'
import { type PartsDraft, readDraft } from '@/core/rules'
import { wordProblem } from '@/core/words'

type Settings = Partial<Omit<Field, 'id' | 'name' | 'kind'>>
interface Tied {
  readonly must?: boolean
  readonly everyOneNeedsOne?: boolean
  readonly oneToOne?: boolean
  readonly onRemove?: Link['onRemove']
  readonly label?: string
  /** How it reads the other way round. */
  readonly back?: string
  readonly as?: string
}

interface Asked {
  readonly onlyNew?: true
  readonly warns?: true
}

const idOf = (...names: readonly string[]) =>
  names
    .map((name) => name.replace(/\W+/g, '-').toLowerCase())
    .join('__')
    .slice(0, 40)

/** A draft that speaks of fields and choices by their names, with their ids instead. */
function withIds(table: string, draft: PartsDraft): PartsDraft {
  const field = (name: string) => idOf(table, name)
  switch (draft.kind) {
    case 'together':
      return { ...draft, fields: draft.fields.map(field) }
    case 'apart':
      return { ...draft, same: draft.same.map(field), from: field(draft.from), to: field(draft.to) }
    case 'closed':
      return { ...draft, except: draft.except.map(field) }
    case 'follows': {
      const steps = Object.entries(draft.steps).map(([from, to]) => [idOf(from), to.map((word) => idOf(word))] as const)
      return { ...draft, field: field(draft.field), steps: Object.fromEntries(steps) }
    }
  }
}

/**
 * Writes a design down as the edits a person would make, with readable ids, so that the same book
 * comes out every time. An edit that would be refused stops with its sentence.
 */
export class DesignWriter {
  readonly edits: Edit[] = []

  constructor(private book: Book) {}

  make(edit: Edit): void {
    const made = applyEdit(this.book, edit)
    if (!made.ok) throw new Error(`${JSON.stringify(edit)}: ${wordProblem(made.problem)}`)
    this.book = made.value.book
    this.edits.push(edit)
  }

  table(name: string, describe: string, number: Settings & { name?: string; code?: boolean } = {}): void {
    const { name: keyName, code, ...settings } = number
    const key = idOf(name, 'key')
    this.make({ kind: 'addTable', id: idOf(name), name, keyField: key })
    this.make({ kind: 'describeTable', table: idOf(name), describe })
    const to = { ...(keyName && { name: keyName }), ...(code && { kind: 'code' as const }), ...settings }
    if (Object.keys(to).length > 0) this.make({ kind: 'changeField', field: key, to })
  }

  wordList(name: string): void {
    this.make({ kind: 'addTable', id: idOf(name), name, role: 'word-list', keyField: idOf(name, 'key') })
  }

  field(table: string, name: string, holds: KindName, settings: Settings = {}): void {
    const id = idOf(table, name)
    this.make({ kind: 'addField', table: idOf(table), id, name, holds })
    if (Object.keys(settings).length > 0) this.make({ kind: 'changeField', field: id, to: settings })
  }

  /** A field that comes from others; the expressions are written as in the Workshop. */
  derive(
    table: string,
    name: string,
    holds: 'borrowed' | 'copied' | 'gathered' | 'workedOut',
    source: string,
    settings: Settings = {},
    freezes?: string,
  ): void {
    const kept = (written: string) => this.kept(table, written)
    this.field(table, name, holds, { ...settings, source: kept(source), ...(freezes && { freezes: kept(freezes) }) })
  }

  /** At most so many rows of a table for each record that it leads to, or of those that meet a condition. */
  limit(many: string, one: string, most: number, when?: { readonly field: string; readonly is: string }): void {
    const limit = {
      id: idOf(many, one, 'limit'),
      most,
      ...(when && { when: { field: idOf(many, when.field), is: when.is } }),
    }
    const link = this.book.links.find((other) => other.many === idOf(many) && other.one === idOf(one))
    this.make({ kind: 'limitLink', link: link!.id, limits: [limit] })
  }

  /** A rule written as an expression, and what staff read. */
  rule(table: string, holds: string, words: string, more: Asked = {}): void {
    this.make({ ...this.newRule(table, words), says: { kind: 'holds', tree: this.kept(table, holds) }, ...more })
  }

  /** A rule of another kind; its fields, choices and expressions by their names. */
  ruleThat(table: string, words: string, draft: PartsDraft): void {
    this.make({ ...this.newRule(table, words), says: this.says(table, draft) })
  }

  private newRule = (table: string, words: string) =>
    ({ kind: 'addRule', id: `rule-${this.book.rules.length + 1}`, table: idOf(table), words }) as const

  private says(table: string, draft: PartsDraft): RuleSays {
    const read = readDraft(this.book, tableOf(this.book, idOf(table)), withIds(table, draft))
    if (!read.says) throw new Error(`${JSON.stringify(draft)}: ${JSON.stringify(read)}`)
    return read.says
  }

  /** An expression over a table's records, as it is kept. */
  kept(table: string, written: string) {
    const read = readExpression(this.book, tableOf(this.book, idOf(table)), written)
    if ('problem' in read) throw new Error(`${written}: ${wordProblem(read.problem)}`)
    return storeTree(read.tree)
  }

  choices(...words: readonly string[]): Settings {
    return { choices: words.map((word) => ({ id: idOf(word), word })) }
  }

  /** Each `many` has one `one`. */
  link(many: string, one: string, tied: Tied = {}): void {
    const name = tied.as ?? one
    const id = idOf(many, name)
    this.make({
      kind: 'answerPairing',
      a: idOf(one),
      b: idOf(many),
      aHasSeveral: !tied.oneToOne,
      bHasSeveral: false,
      aMust: tied.everyOneNeedsOne ?? false,
      bMust: tied.must ?? false,
      name,
      ids: { table: `${id}__t`, links: [`${id}__l`, `${id}__m`], fields: [id, `${id}__g`] },
    })
    const changes = {
      ...(tied.onRemove && { onRemove: tied.onRemove }),
      ...(tied.label && { label: tied.label }),
      ...(tied.back && { back: tied.back }),
    }
    if (Object.keys(changes).length > 0) this.make({ kind: 'changeLink', link: `${id}__l`, ...changes })
  }

  /** Each `a` has many `b` and the other way round. */
  join(name: string, a: string, b: string): void {
    const id = idOf(name)
    this.make({
      kind: 'answerPairing',
      a: idOf(a),
      b: idOf(b),
      aHasSeveral: true,
      bHasSeveral: true,
      aMust: false,
      bMust: false,
      name,
      ids: { table: id, links: [`${id}__l1`, `${id}__l2`], fields: [idOf(name, a), idOf(name, b)] },
    })
  }

  knownBy(table: string, ...fields: readonly string[]): void {
    this.make({ kind: 'setKnownBy', table: idOf(table), fields: fields.map((field) => idOf(table, field)) })
  }

  key(table: string, ...fields: readonly string[]): void {
    this.make({ kind: 'setKey', table: idOf(table), fields: fields.map((field) => idOf(table, field)) })
  }

  noTie(a: string, b: string): void {
    this.make({ kind: 'sayNoTie', a: idOf(a), b: idOf(b), id: `${idOf(a)}-${idOf(b)}`.slice(0, 40) })
  }

  needs(
    needs: readonly {
      text: string
      metBy: readonly string[]
      noPlace?: readonly string[]
      elsewhere?: readonly string[]
    }[],
  ): void {
    this.make({ kind: 'addNeeds', needs: needs.map(({ text }, at) => ({ id: `need-${at + 1}`, text })) })
    needs.forEach(({ metBy, noPlace = [], elsewhere = [] }, at) => {
      const need = `need-${at + 1}`
      for (const part of metBy) this.make({ kind: 'tieNeed', need, part: idOf(...part.split(' → ')), met: true })
      for (const words of noPlace)
        this.make({
          kind: 'dismiss',
          id: idOf(need, words),
          what: noPlaceFor(need, words),
          name: `“${words}” in need ${at + 1}`,
        })
      for (const proposal of elsewhere) this.decide(keptOtherwise(proposal), proposal.split('/').slice(1).join(': '))
    })
  }

  /** Two words of the needs that mean one table. */
  same(word: string, table: string): void {
    this.decide(sameWord(word, table), `${word} as a table of its own; it is ${table}`)
  }

  private decide(what: string, name: string): void {
    this.make({ kind: 'dismiss', id: idOf('decided', what), what, name })
  }

  get result(): Book {
    return this.book
  }
}
