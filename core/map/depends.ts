import { type Book, findField, findLink, partName, tableOf } from '../book'
import { speaksOf } from '../expressions'
import { isDerived } from '../kinds'
import { fieldsOf, ownRules } from '../rules'

export const dependencyKinds = ['link', 'borrowed', 'copied', 'gathered', 'workedOut', 'rule'] as const
export type DependencyKind = (typeof dependencyKinds)[number]

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

const known = new WeakMap<Book, readonly Dependency[]>()

/** Everything in the book that depends on something: links on keys, derived facts on what they are made from, rules. */
export function dependencies(book: Book): readonly Dependency[] {
  const found = known.get(book) ?? [...ofLinks(book), ...ofDerived(book), ...ofRules(book)]
  known.set(book, found)
  return found
}

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
        // Rows that are counted are told by the field that ties them here.
        const from = findLink(book, id)?.field ?? id
        if (from === field.id) return []
        const kind = field.kind as 'borrowed'
        return [{ id: `${kind} ${from} ${field.id}`, kind, from, to: field.id, words: words[kind]! }]
      }),
    ),
  )

const ofRules = (book: Book): Dependency[] =>
  ownRules(book).flatMap(({ rule, reading }) => {
    if (!reading) return []
    const fields = [...new Set(fieldsOf(reading).map(({ id }) => id))]
    const last = fields.at(-1)
    return fields
      .slice(0, -1)
      .map((from) => ({ id: `rule ${rule.id} ${from}`, kind: 'rule' as const, from, to: last!, words: rule.words }))
  })

export interface Trace {
  /** What the field depends on, near first, and what depends on it. */
  readonly on: readonly Dependency[]
  readonly of: readonly Dependency[]
}

/** Everything a field depends on and everything that depends on it, across tables, as far as it goes. */
export function traceOf(book: Book, field: string, kinds: ReadonlySet<DependencyKind>): Trace {
  const all = dependencies(book).filter(({ kind }) => kinds.has(kind))
  const walk = (near: 'from' | 'to', far: 'from' | 'to') => {
    const found: Dependency[] = []
    const seen = new Set([field])
    let ends = [field]
    while (ends.length > 0) {
      // Where rows hang is told by their link; what that leads to is no part of what is reckoned.
      const next = all.filter(
        (one) => ends.includes(one[near]) && !found.includes(one) && (one.kind !== 'link' || one[near] === field),
      )
      found.push(...next)
      ends = next.map((one) => one[far]).filter((id) => !seen.has(id))
      ends.forEach((id) => seen.add(id))
    }
    return found
  }
  return { on: walk('to', 'from'), of: walk('from', 'to') }
}

/** One dependency as a sentence. */
export function sayDependency(book: Book, { kind, from, to, words: said }: Dependency): string {
  const [source, reader] = [partName(book, from), partName(book, to)]
  if (kind === 'link') return `${reader} is linked to ${source}`
  if (kind === 'rule') return `${reader} is bound to ${source}: ${said}`
  return `${reader} is ${said} from ${source}`
}

/** The table that a field belongs to. */
export const tableOfField = (book: Book, field: string) => findField(book, field)?.table.id

/** The tables so many ties away from some, with the nearest distance of each. */
export function tablesNear(book: Book, from: string, ties: number): ReadonlySet<string> {
  const near = new Set([from])
  for (let tie = 0; tie < ties; tie++)
    for (const id of [...near])
      for (const link of book.links) {
        if (link.one === id) near.add(link.many)
        if (link.many === id) near.add(link.one)
      }
  return near
}
