import { type Json, sameJson } from '../words'
import type { Area, Book, Field, Link, Need, Pair, Remark, Rule, Table, Dismissal } from './book'
import type { Form } from './form'
import type { List } from './list'
import type { Report } from './report'
import type { Template } from './template'
import { findField, findLink, findTable } from './find'
import type { ListName, Part, Place, Step } from './steps'

const asPart = (part: object) => part as unknown as Part

/** The list a place speaks of. */
function partsAt(book: Book, list: ListName, owner: string | null): readonly { readonly id: string }[] {
  return list === 'fields' ? (findTable(book, owner ?? '')?.fields ?? []) : book[list]
}

/** Where a part stands now. */
function placeOf(book: Book, list: ListName, owner: string | null, id: string): Place {
  const parts = partsAt(book, list, owner)
  const at = parts.findIndex((part) => part.id === id)
  return { list, owner, before: parts[at + 1]?.id ?? null }
}

export const putNeed = (need: Need, before: string | null = null): Step => put(need, 'needs', null, before)
export const putTable = (table: Table, before: string | null = null): Step => put(table, 'tables', null, before)
export const putField = (table: string, field: Field, before: string | null = null): Step =>
  put(field, 'fields', table, before)
export const putLink = (link: Link): Step => put(link, 'links', null, null)
export const putPair = (pair: Pair): Step => put(pair, 'pairs', null, null)
export const putRule = (rule: Rule): Step => put(rule, 'rules', null, null)
export const putDismissal = (dismissed: Dismissal): Step => put(dismissed, 'dismissed', null, null)
export const putArea = (area: Area): Step => put(area, 'areas', null, null)
export const putList = (list: List): Step => put(list, 'lists', null, null)
export const putReport = (report: Report): Step => put(report, 'reports', null, null)
export const putTemplate = (template: Template): Step => put(template, 'templates', null, null)
export const putForm = (form: Form): Step => put(form, 'forms', null, null)
export const putRemark = (remark: Remark): Step => put(remark, 'remarks', null, null)

const put = (part: object, list: ListName, owner: string | null, before: string | null): Step => ({
  kind: 'put',
  part: asPart(part),
  at: { list, owner, before },
})

export function dropPart(book: Book, list: ListName, id: string, owner: string | null = null): Step {
  const part = partsAt(book, list, owner).find((candidate) => candidate.id === id)
  if (!part) throw new Error(`Expected ${id} among the ${list}.`)
  return { kind: 'drop', part: asPart(part), at: placeOf(book, list, owner, id) }
}

export function movePart(book: Book, list: ListName, owner: string | null, id: string, before: string | null): Step[] {
  const from = placeOf(book, list, owner, id)
  return before === id || from.before === before ? [] : [{ kind: 'move', id, from, to: { list, owner, before } }]
}

/** The set steps that turn a part's values into the wished ones; none where nothing differs. */
export function setKeys(part: object, id: string, wished: Readonly<Record<string, Json | undefined>>): Step[] {
  return Object.entries(wished).flatMap(([key, value]): Step[] => {
    const from = ((part as Record<string, unknown>)[key] ?? null) as Json
    const to = value ?? null
    return sameJson(from, to) ? [] : [{ kind: 'set', id, key, from, to }]
  })
}

/** Takes ids out of the ticks of needs, so that no need says it is met by what is gone. */
export function untick(book: Book, gone: ReadonlySet<string>): Step[] {
  return book.needs.flatMap((need) => setKeys(need, need.id, { metBy: need.metBy.filter((id) => !gone.has(id)) }))
}

/** Limits that ask a field that goes are limits no longer. */
export const dropLimitsOn = (book: Book, field: string): Step[] =>
  book.links.flatMap((link) => {
    if (!link.limits?.some(({ when }) => when?.field === field)) return []
    const left = link.limits.filter(({ when }) => when?.field !== field)
    return setKeys(link, link.id, { limits: left.length > 0 ? left : undefined })
  })

/** Rules that speak of what goes are rules no longer. */
export const dropRulesOn = (book: Book, gone: ReadonlySet<string>): Step[] =>
  dropRules(
    book,
    book.rules.filter((rule) => gone.has(rule.table) || speaksOf(rule.says as Json, gone)),
  )

/** In their order, so that what takes them back finds each one's neighbour there already. No need is met by them then. */
export const dropRules = (book: Book, rules: readonly Rule[]): Step[] => [
  ...untick(book, new Set(rules.map(({ id }) => id))),
  ...rules.map((rule) => dropPart(book, 'rules', rule.id)),
]

/** Whether any of these ids stands anywhere in an expression. */
export function speaksOf(json: Json, ids: ReadonlySet<string>): boolean {
  if (typeof json === 'string') return ids.has(json)
  if (typeof json !== 'object' || json === null) return false
  return Object.values(json).some((part) => speaksOf(part, ids))
}

/** The steps that take a link away with the field that carries it. */
export function dropLinkSteps(book: Book, linkId: string): Step[] {
  const link = findLink(book, linkId)
  const owner = link && findField(book, link.field)?.table
  if (!link || !owner) throw new Error(`Expected a link ${linkId} with its field.`)
  return [
    ...dropRulesOn(book, new Set([link.field, link.id])),
    // Those that it asks itself go with it.
    ...dropLimitsOn(book, link.field).filter((step) => step.kind !== 'set' || step.id !== link.id),
    dropPart(book, 'links', link.id),
    ...setKeys(owner, owner.id, {
      key: owner.key.filter((id) => id !== link.field),
      knownBy: owner.knownBy.filter((id) => id !== link.field),
    }),
    dropPart(book, 'fields', link.field, owner.id),
  ]
}
