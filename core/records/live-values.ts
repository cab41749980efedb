import { type Book, type Field, type Link, tableOf, fieldWith } from '../book'
import { type Derived, derivedOf, evaluate, type Facts, type Tree } from '../expressions'
import { isDerived, isTyped, type Now, type Value } from '../kinds'
import { checkRules } from '../rules'
import type { FormText, RowText, StoredForm } from './form-text'
import { formLayout, insetLimit } from './form-layout'
import type { Problems, Values } from './check-record'
import type { CheckedForm } from './read-form'

/**
 * The facts read through a link field of the record it leads to, by the way to each ("field" or
 * "link/field"); undefined while they are on their way.
 */
export type LinkedValues = (linkField: string, ref: string) => Values | undefined

/** What derived fields show at this moment; undefined where that isn't known yet. */
export interface LiveValues {
  readonly own: Readonly<Record<string, Value | undefined>>
  /** By link id, one entry a row of the form. */
  readonly rows: Readonly<Record<string, readonly Readonly<Record<string, Value | undefined>>[]>>
  /** The record's own derived fields that stay as they were, though what they are made from may have moved on. */
  readonly frozen: ReadonlySet<string>
}

/** A form and everything around it that derived fields may ask for. */
export interface LiveForm {
  readonly book: Book
  readonly tableId: string
  readonly form: FormText
  readonly checked: CheckedForm
  readonly stored: StoredForm | undefined
  readonly linked: LinkedValues
  readonly now: Now
  /** The rows that hang on the record aren't in the form at all. */
  readonly alone?: boolean
}

/**
 * Computes every derived field of a form from what is typed, rows that aren't saved yet included. What hangs
 * on the record but isn't in the form stays as it was stored.
 */
export function liveValues(live: LiveForm): LiveValues {
  const { root, rows } = scopesOf(live)
  return {
    own: root.derived(),
    frozen: root.frozen,
    rows: Object.fromEntries(rows.map(([link, scopes]) => [link, scopes.map((scope) => scope.derived())])),
  }
}

/** The rules that a form breaks as it is typed, by the field where each is said; those that can't be told here are let be. */
export function brokenInForm(live: LiveForm): {
  readonly own: Problems
  readonly rows: Readonly<Record<string, readonly Problems[]>>
} {
  const { root, rows } = scopesOf(live)
  return {
    own: root.broken(),
    rows: Object.fromEntries(
      rows.map(([link, scopes]) => [link, scopes.map((scope) => (scope.counts ? scope.broken() : {}))]),
    ),
  }
}

/** Whether conditions are so of a record as it is typed; undefined where that can't be told here, or not yet. */
export function toldInForm(live: LiveForm, conditions: readonly Tree[]): readonly (boolean | undefined)[] {
  const { root } = scopesOf(live)
  return conditions.map((tree) => root.tells(tree))
}

function scopesOf(live: LiveForm): { readonly root: Scope; readonly rows: readonly (readonly [string, Scope[]])[] } {
  const { book, tableId, form, checked, stored } = live
  const lacking: MissingFacts = { coming: false, elsewhere: false }
  const root = new Scope(live, lacking, tableId, checked.values, stored?.row.values)
  const rows = formLayout(book, tableId).insets.map(({ link }): [string, Scope[]] => {
    const was = new Map((stored?.children[link.id] ?? []).map((row) => [row.ref, row.values]))
    const scopes = (form.insets[link.id] ?? []).map((row, at) => {
      const values = checked.rows[link.id]?.[at]?.values ?? {}
      return new Scope(live, lacking, link.many, values, row.ref === null ? undefined : was.get(row.ref), {
        root,
        link,
        row,
      })
    })
    return [link.id, scopes]
  })
  root.insets = new Map(rows)
  return { root, rows }
}

/** What was asked for, while something was computed, and isn't here: still on its way, or not in the form. */
interface MissingFacts {
  coming: boolean
  elsewhere: boolean
}

/** One record of the form as expressions see it. */
class Scope implements Facts {
  insets: ReadonlyMap<string, readonly Scope[]> = new Map()
  readonly frozen = new Set<string>()
  private readonly computed = new Map<string, Value | undefined>()

  constructor(
    private readonly live: LiveForm,
    private readonly lacking: MissingFacts,
    private readonly tableId: string,
    private readonly typed: Values,
    private readonly stored: Values | undefined,
    private readonly place?: { readonly root: Scope; readonly link: Link; readonly row: RowText },
  ) {}

  get counts() {
    return !this.place?.row.removed && (this.stored !== undefined || Object.keys(this.typed).length > 0)
  }

  derived(): Record<string, Value | undefined> {
    const fields = tableOf(this.live.book, this.tableId).fields.filter(isDerived)
    return Object.fromEntries(fields.map((field) => [field.id, this.compute(field)]))
  }

  tells(tree: Tree): boolean | undefined {
    Object.assign(this.lacking, { coming: false, elsewhere: false })
    const value = evaluate(tree, this, this.live.now)
    return this.lacking.coming || this.lacking.elsewhere ? undefined : value === '1'
  }

  /** Rules that are plainly broken, and of which all is here that they ask for. */
  broken(): Problems {
    const { book, now } = this.live
    const knows = (tree: Tree) => this.tells(tree) !== undefined
    const all = checkRules(book, this.tableId, { facts: this, now, stored: this.stored, knows })
    const said = all.filter(({ rule }) => !rule.warns)
    return Object.fromEntries(
      said.flatMap(({ field, problem }) => (field ? [[field, problem] as const] : [])).reverse(),
    )
  }

  value = (id: string): Value => {
    const { field } = fieldWith(this.live.book, id)
    if (isDerived(field)) return this.compute(field) ?? null
    if (id in this.typed) return this.typed[id]!
    // Typed, but it can't be read yet: whatever was there before, it isn't any more.
    if (isTyped(field) && id !== this.place?.link.field && Object.keys(this.typed).length > 0)
      this.lacking.coming = true
    return this.stored?.[id] ?? null
  }

  linked = (link: string): Facts | undefined => {
    if (this.place?.link.field === link) return this.place.root
    const ref = this.value(link)
    if (ref === null) return undefined
    const values = this.live.linked(link, ref)
    if (!values) this.lacking.coming = true
    return values && beyond(values, '')
  }

  rows = (link: string): readonly Facts[] => {
    const inset = this.insets.get(link)
    const all = (this.live.stored?.children[link]?.length ?? 0) < insetLimit
    if (inset && all && !(this.live.alone && this.stored)) return inset.filter((row) => row.counts)
    if (this.stored) this.lacking.elsewhere = true
    return []
  }

  private compute(field: Field): Value | undefined {
    if (!this.computed.has(field.id)) {
      const before = { ...this.lacking }
      Object.assign(this.lacking, { coming: false, elsewhere: false })
      const value = this.fresh(field)
      // What needs rows that aren't in the form stays as it was stored; what is made from it goes on from there.
      const known = this.lacking.elsewhere ? (this.stored?.[field.id] ?? null) : value
      this.computed.set(field.id, this.lacking.coming ? undefined : known)
      Object.assign(this.lacking, before)
    }
    const value = this.computed.get(field.id)
    if (value === undefined) this.lacking.coming = true
    return value
  }

  private fresh(field: Field): Value {
    const made = derivedOf(this.live.book, field.id)
    if ('problem' in made) return null
    if (field.kind === 'copied' && this.keepsCopy(made)) return this.stored?.[field.id] ?? null
    if (made.freezes && this.wasFrozen(made.freezes)) {
      const still = evaluate(made.freezes, this, this.live.now) === '1'
      if (still) {
        this.frozen.add(field.id)
        return this.stored?.[field.id] ?? null
      }
    }
    return evaluate(made.tree, this, this.live.now)
  }

  private keepsCopy({ tree }: Derived): boolean {
    const link = tree.kind === 'fact' ? tree.over[0]! : ''
    return this.stored !== undefined && this.value(link) === (this.stored[link] ?? null)
  }

  private wasFrozen(freezes: Derived['tree']): boolean {
    if (!this.stored) return false
    const was: Facts = { value: (id) => this.stored![id] ?? null, linked: () => undefined, rows: () => [] }
    return evaluate(freezes, was, this.live.now) === '1'
  }
}

/** Facts that were fetched, by the way to them. */
const beyond = (values: Values, way: string): Facts => ({
  value: (id) => values[way + id] ?? null,
  linked: (link) => beyond(values, `${way}${link}/`),
  rows: () => [],
})
