import { type Edit, type Field, type Link, make, type Book, tableOf } from '@/core/book'
import { readExpression } from '@/core/expressions'
import type { KindName } from '@/core/kinds'
import { wordProblem } from '@/core/words'

type Settings = Partial<Omit<Field, 'id' | 'name' | 'kind'>>
interface Tied {
  readonly must?: boolean
  readonly everyOneNeedsOne?: boolean
  readonly oneToOne?: boolean
  readonly onRemove?: Link['onRemove']
  readonly label?: string
  readonly as?: string
}

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
    const made = make(this.book, edit)
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

  pickList(name: string): void {
    this.make({ kind: 'addTable', id: idOf(name), name, role: 'pick-list', keyField: idOf(name, 'key') })
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
    const kept = (written: string) => {
      const read = readExpression(this.book, tableOf(this.book, idOf(table)), written)
      if ('problem' in read) throw new Error(`${written}: ${read.problem.words}`)
      return JSON.parse(JSON.stringify(read.tree)) as never
    }
    this.field(table, name, holds, { ...settings, source: kept(source), ...(freezes && { freezes: kept(freezes) }) })
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
    const changes = { ...(tied.onRemove && { onRemove: tied.onRemove }), ...(tied.label && { label: tied.label }) }
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

  needs(needs: readonly { text: string; metBy: readonly string[] }[]): void {
    this.make({ kind: 'addNeeds', needs: needs.map(({ text }, at) => ({ id: `need-${at + 1}`, text })) })
    needs.forEach(({ metBy }, at) =>
      metBy.forEach((part) =>
        this.make({ kind: 'tieNeed', need: `need-${at + 1}`, part: idOf(...part.split(' → ')), met: true }),
      ),
    )
  }

  get result(): Book {
    return this.book
  }
}
