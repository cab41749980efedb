import { type Edit, type Field, type Link, applyEdit, type Book, type RuleSays, tableOf } from '@/core/book'
import { storeTree, readExpression } from '@/core/expressions'
import type { KindName } from '@/core/kinds'
import { keptOtherwise, noPlaceFor, sameWord } from '@/core/needs'
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

type Said =
  | { readonly kind: 'together'; readonly fields: readonly string[]; readonly blanks: 'differ' | 'alike' }
  | {
      readonly kind: 'apart'
      readonly same: readonly string[]
      readonly from: string
      readonly to: string
      readonly unless?: string
    }
  | { readonly kind: 'closed'; readonly once: string; readonly except: readonly string[]; readonly rows: boolean }
  | { readonly kind: 'follows'; readonly field: string; readonly steps: Readonly<Record<string, readonly string[]>> }

const idOf = (...names: readonly string[]) =>
  names
    .map((name) => name.replace(/\W+/g, '-').toLowerCase())
    .join('__')
    .slice(0, 40)

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
  ruleThat(table: string, words: string, says: Said): void {
    const field = (name: string) => idOf(table, name)
    this.make({ ...this.newRule(table, words), says: this.says(table, says, field) })
  }

  private newRule = (table: string, words: string) =>
    ({ kind: 'addRule', id: `rule-${this.book.rules.length + 1}`, table: idOf(table), words }) as const

  private says(table: string, says: Said, field: (name: string) => string): RuleSays {
    switch (says.kind) {
      case 'together':
        return { ...says, fields: says.fields.map(field) }
      case 'apart': {
        const { unless, ...rest } = says
        const spans = { same: rest.same.map(field), from: field(rest.from), to: field(rest.to) }
        return { kind: 'apart', ...spans, ...(unless && { unless: this.kept(table, unless) }) }
      }
      case 'closed':
        return { ...says, once: this.kept(table, says.once), except: says.except.map(field) }
      case 'follows': {
        const steps = Object.entries(says.steps).map(([from, to]) => ({
          from: idOf(from),
          to: to.map((word) => idOf(word)),
        }))
        return { kind: 'follows', field: field(says.field), steps }
      }
    }
  }

  private kept(table: string, written: string) {
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
          kind: 'waveOff',
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
    this.make({ kind: 'waveOff', id: idOf('decided', what), what, name })
  }

  get result(): Book {
    return this.book
  }
}
