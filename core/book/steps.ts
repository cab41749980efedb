import { fail, type Json, ok, type Result, sameJson } from '../words'
import type { Book, Table } from './book'

/** The lists that parts stand in. `fields` belong to a table, the owner. */
export type ListName =
  | 'needs'
  | 'tables'
  | 'fields'
  | 'links'
  | 'pairs'
  | 'rules'
  | 'dismissed'
  | 'areas'
  | 'remarks'
  | 'lists'
  | 'reports'
  | 'templates'
  | 'forms'

/** Where a part stands: before which neighbour, or last (null). Ids, so that it holds when others edit too. */
export interface Place {
  readonly list: ListName
  readonly owner: string | null
  readonly before: string | null
}

export type Part = { readonly id: string } & { readonly [key: string]: Json }

/** The four primitives. Each says what it expects to find, so a clash is noticed and nothing is half done. */
export type Step =
  | { readonly kind: 'put'; readonly part: Part; readonly at: Place }
  | { readonly kind: 'drop'; readonly part: Part; readonly at: Place }
  | { readonly kind: 'set'; readonly id: string; readonly key: string; readonly from: Json; readonly to: Json }
  | { readonly kind: 'move'; readonly id: string; readonly from: Place; readonly to: Place }

/** The id by which steps speak of the book's own name and look. */
export const bookId = 'book'

/** The step that takes this one back. */
function invert(step: Step): Step {
  switch (step.kind) {
    case 'put':
      return { ...step, kind: 'drop' }
    case 'drop':
      return { ...step, kind: 'put' }
    case 'set':
      return { ...step, from: step.to, to: step.from }
    case 'move':
      return { ...step, from: step.to, to: step.from }
  }
}

export const invertAll = (steps: readonly Step[]): Step[] => steps.map(invert).reverse()

type SetStep = Extract<Step, { kind: 'set' }>

/**
 * What an edit found where it set something, the first time for each value. What it made itself, or had
 * set before, is no news to it.
 */
export function firstSets(steps: readonly Step[]): SetStep[] {
  const made = new Set(steps.flatMap((step) => (step.kind === 'put' ? [step.part.id] : [])))
  const first = new Map<string, SetStep>()
  for (const step of steps) {
    const place = step.kind === 'set' ? `${step.id} ${step.key}` : ''
    if (step.kind === 'set' && !made.has(step.id) && !first.has(place)) first.set(place, step)
  }
  return [...first.values()]
}

/** Carries out the steps one after another, or none of them. Never changes its argument. */
export function apply(book: Book, steps: readonly Step[]): Result<Book> {
  let current = book
  for (const step of steps) {
    const next = applyOne(current, step)
    if (!next.ok) return next
    current = next.value
  }
  return ok(current)
}

function applyOne(book: Book, step: Step): Result<Book> {
  switch (step.kind) {
    case 'put':
      return inList(book, step.at, (parts) =>
        parts.some((part) => part.id === step.part.id) ? undefined : inserted(parts, step.part, step.at.before),
      )
    case 'drop':
      return inList(book, step.at, (parts) => {
        const found = parts.find((part) => part.id === step.part.id)
        return found && sameJson(found, step.part) ? parts.filter((part) => part !== found) : undefined
      })
    case 'move':
      return inList(book, step.to, (parts) => {
        const found = parts.find((part) => part.id === step.id)
        return (
          found &&
          inserted(
            parts.filter((part) => part !== found),
            found,
            step.to.before,
          )
        )
      })
    case 'set':
      return set(book, step)
  }
}

function inserted(parts: readonly Part[], part: Part, before: string | null): Part[] {
  const at = before === null ? -1 : parts.findIndex((candidate) => candidate.id === before)
  return at < 0 ? [...parts, part] : [...parts.slice(0, at), part, ...parts.slice(at)]
}

function inList(book: Book, place: Place, change: (parts: readonly Part[]) => Part[] | undefined): Result<Book> {
  if (place.list === 'fields') {
    const owner = book.tables.find((table) => table.id === place.owner)
    const fields = owner && change(owner.fields)
    return fields ? ok(withTable(book, { ...owner, fields: fields as unknown as Table['fields'] })) : stale(place.list)
  }
  const parts = change(book[place.list])
  return parts ? ok({ ...book, [place.list]: parts }) : stale(place.list)
}

const withTable = (book: Book, table: Table): Book => ({
  ...book,
  tables: book.tables.map((candidate) => (candidate.id === table.id ? table : candidate)),
})

const stale = (what: string) => fail({ kind: 'stale', what: `The list of ${what}` })

function set(book: Book, step: Extract<Step, { kind: 'set' }>): Result<Book> {
  let missed = true
  const change = <T extends { readonly id: string }>(part: T): T => {
    if (part.id !== step.id) return part
    const changed = withKey(part, step)
    if (changed) missed = false
    return changed ?? part
  }
  const each = <T extends { readonly id: string }>(parts: readonly T[]): readonly T[] =>
    parts.some((part) => part.id === step.id) ? parts.map(change) : parts
  const tables = each(book.tables).map((table) => {
    const fields = each(table.fields)
    return fields === table.fields ? table : { ...table, fields }
  })
  const lists = {
    needs: each(book.needs),
    tables,
    links: each(book.links),
    pairs: each(book.pairs),
    rules: each(book.rules),
    dismissed: each(book.dismissed),
    areas: each(book.areas),
    remarks: each(book.remarks),
    lists: each(book.lists),
    reports: each(book.reports),
    templates: each(book.templates),
    forms: each(book.forms),
  }
  if (step.id !== bookId) return missed ? fail({ kind: 'stale', what: 'What you changed' }) : ok({ ...book, ...lists })
  const changed = withKey(book, step)
  return changed ? ok(changed) : fail({ kind: 'stale', what: 'The look of the book' })
}

/** Null stands for "not there": absent keys keep a part's JSON the same before and after undo. */
function withKey<T extends object>(part: T, { key, from, to }: Extract<Step, { kind: 'set' }>): T | undefined {
  const had = (part as Record<string, unknown>)[key] ?? null
  if (!sameJson(had, from)) return undefined
  const { [key as keyof T]: _gone, ...rest } = part
  return (to === null ? rest : { ...rest, [key]: to }) as T
}
