import { type Book, findField, findLink, partName, tableOf } from '../book'
import { speaksOf } from '../expressions'
import { isDerived } from '../kinds'
import { ownRules, spokenOf } from '../rules'
import { oncePer } from '../words'

/** Ways in which a field can be made from others, or be bound to them. */
export const madeFromKinds = ['borrowed', 'copied', 'gathered', 'workedOut', 'rule'] as const
export type MadeFromKind = (typeof madeFromKinds)[number]
export type DependencyKind = MadeFromKind | 'link'

/** That one field changes with another, or is bound to it by a rule. */
export interface Dependency {
  readonly id: string
  readonly kind: DependencyKind
  /** The field that is read. */
  readonly from: string
  /** The field that reads it. */
  readonly to: string
  /** What joins them, as the drawing says it. */
  readonly words: string
}

/** Everything in the book that depends on something: links on keys, derived facts on what they are made from, rules. */
export const dependencies = oncePer((book: Book): readonly Dependency[] => [
  ...ofLinks(book),
  ...ofDerived(book),
  ...ofRules(book),
])

const ofLinks = (book: Book): Dependency[] =>
  book.links.flatMap((link) =>
    tableOf(book, link.one).key.map((key) => ({
      id: `link ${link.id} ${key}`,
      kind: 'link' as const,
      from: key,
      to: link.field,
      words: 'link',
    })),
  )

const words: Partial<Record<string, string>> = {
  borrowed: 'borrowed',
  copied: 'copied',
  gathered: 'gathered',
  workedOut: 'worked out',
}

const ofDerived = (book: Book): Dependency[] =>
  book.tables.flatMap((table) =>
    table.fields.filter(isDerived).flatMap((field) =>
      [...speaksOf(book, field.id)].flatMap((id): Dependency[] => {
        // Rows that are counted are stood for by the field that links them here.
        const from = findLink(book, id)?.field ?? id
        if (from === field.id) return []
        const kind = field.kind as 'borrowed'
        return [{ id: `${kind} ${from} ${field.id}`, kind, from, to: field.id, words: words[kind]! }]
      }),
    ),
  )

const ofRules = (book: Book): Dependency[] =>
  ownRules(book).flatMap(({ rule, table, compiled }) => {
    if (!compiled) return []
    // Rows that are counted are stood for by the field that links them.
    const fields = [...new Set([...spokenOf(compiled)].map((id) => findLink(book, id)?.field ?? id))]
    // It binds a field of its own table, where it looks at one.
    const last = fields.findLast((id) => table.fields.some((own) => own.id === id)) ?? fields.at(-1)
    return fields
      .filter((id) => id !== last)
      .map((from) => ({ id: `rule ${rule.id} ${from}`, kind: 'rule' as const, from, to: last!, words: rule.words }))
  })

/** What is looked at: a field, a rule, or all that goes from one table to another. */
export type Focus =
  | { readonly kind: 'field'; readonly field: string }
  | { readonly kind: 'rule'; readonly rule: string }
  | { readonly kind: 'stream'; readonly from: string; readonly to: string }

export interface Trace {
  /** What is looked at, where it is no single field. */
  readonly own: readonly Dependency[]
  /** What that is made from, near first, and what is made from it. */
  readonly on: readonly Dependency[]
  readonly of: readonly Dependency[]
}

/** Everything that is made from what is looked at and all that this is made from, across tables, as far as it goes. */
export function traceOf(book: Book, focus: Focus, kinds: ReadonlySet<DependencyKind>): Trace {
  const all = dependencies(book).filter(({ kind }) => kinds.has(kind))
  const own = focus.kind === 'field' ? [] : all.filter((one) => isOf(book, focus, one))
  const walk = (near: 'from' | 'to', far: 'from' | 'to') => {
    const found: Dependency[] = []
    let ends = focus.kind === 'field' ? [focus.field] : [...new Set(own.map((one) => one[far]))]
    const begins = new Set(ends)
    const seen = new Set(ends)
    while (ends.length > 0) {
      // What a link leads to is no part of what is calculated: it is named where one looks at the link itself.
      const next = all.filter(
        (one) =>
          ends.includes(one[near]) &&
          !found.includes(one) &&
          !own.includes(one) &&
          (one.kind !== 'link' || begins.has(one[near])),
      )
      found.push(...next)
      ends = next.map((one) => one[far]).filter((id) => !seen.has(id))
      ends.forEach((id) => seen.add(id))
    }
    return found
  }
  return { own, on: walk('to', 'from'), of: walk('from', 'to') }
}

function isOf(book: Book, focus: Exclude<Focus, { kind: 'field' }>, { id, from, to }: Dependency): boolean {
  if (focus.kind === 'rule') return id.startsWith(`rule ${focus.rule} `)
  return tableOfField(book, from) === focus.from && tableOfField(book, to) === focus.to
}

/** Every field that a trace touches. */
export const fieldsOfTrace = (focus: Focus, { own, on, of }: Trace): ReadonlySet<string> =>
  new Set([
    ...(focus.kind === 'field' ? [focus.field] : []),
    ...[...own, ...on, ...of].flatMap(({ from, to }) => [from, to]),
  ])

/** One dependency as a sentence. */
export function sayDependency(book: Book, { kind, from, to, words: said }: Dependency): string {
  const [source, reader] = [partName(book, from), partName(book, to)]
  if (kind === 'link') return `${reader} is linked to ${source}`
  if (kind === 'rule') return `${reader} is bound to ${source}: ${said}`
  return `${reader} is ${said} from ${source}`
}

/** The table that a field belongs to. */
export const tableOfField = (book: Book, field: string) => findField(book, field)?.table.id

/** The tables so many links away from one. */
export function tablesNear(book: Book, from: string, links: number): ReadonlySet<string> {
  const near = new Set([from])
  for (let away = 0; away < links; away++)
    for (const id of [...near])
      for (const link of book.links) {
        if (link.one === id) near.add(link.many)
        if (link.many === id) near.add(link.one)
      }
  return near
}
