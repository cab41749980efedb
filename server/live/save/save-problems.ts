import { findLink } from '@/core/book'
import type { Problems, Values } from '@/core/records'
import { placeOf } from '@/core/rules'
import type { Problem } from '@/core/words'
import type { Beyond } from './at-most'
import type { Asking, BrokenRecord } from './asking'
import type { Live } from '../live'
import type { SaveRequest } from './save-request'

/** What is wrong, by field; rows are called by their link and their place in the request, "link/0". */
export interface SaveProblems {
  readonly fields: Problems
  readonly rows: Readonly<Record<string, Problems>>
  readonly whole: readonly Problem[]
}

export const noProblems: SaveProblems = { fields: {}, rows: {}, whole: [] }

/** A refusal with the place it belongs to. */
export class At extends Error {
  constructor(readonly problems: SaveProblems) {
    super('refused')
  }
}

/** The words of a rule that only warns. */
export interface Warning {
  readonly rule: string
  readonly words: string
}

export class Warned extends Error {
  constructor(readonly warnings: readonly Warning[]) {
    super('warned')
  }
}

/** Rows of a record that is closed stay as they are; asked before anything is written that may close it. */
export async function refuseClosed(
  live: Live,
  asking: Asking,
  request: SaveRequest,
  values: Values,
  rows: ReadonlyMap<string, Values>,
): Promise<void> {
  const whole = await asking.closed(request.table, request.ref, values)
  if (whole) throw new At({ ...noProblems, whole: [whole] })
  for (const { link: linkId, rows: sent } of request.children) {
    const link = findLink(live.book, linkId)!
    for (const [at, row] of sent.entries()) {
      const written = row.removed ? undefined : { ...rows.get(`${linkId}/${at}`), [link.field]: request.ref }
      const problem = await asking.closed(link.many, row.ref, written)
      if (problem) throw new At({ ...noProblems, whole: [problem] })
    }
  }
}

/** Said at the link that leads to the full record; of the rows inset in that record itself, of the whole. */
export function limitProblems({ bounded: { place, link }, problem }: Beyond, request: SaveRequest): SaveProblems {
  if (place === '') return { ...noProblems, fields: { [link.field]: problem } }
  const isOwn = request.children.some((child) => child.link === link.id)
  return isOwn ? { ...noProblems, whole: [problem] } : { ...noProblems, rows: { [place]: { [link.field]: problem } } }
}

/** What a save may go through with, once its words were read: what only warns, and what was broken before. */
const isRefused = ({ asked: { own }, wasBroken }: BrokenRecord) => !own.rule.warns && !wasBroken

/** What the rules over several records refuse, each where it is seen; then what they only warn of. */
export function refuseBroken(broken: readonly BrokenRecord[], places: ReadonlyMap<string, string>): void {
  const problems = {
    fields: {} as Record<string, Problem>,
    rows: {} as Record<string, Problems>,
    whole: [] as Problem[],
  }
  for (const { asked, ref, words } of broken.filter(isRefused)) {
    const { rule, table } = asked.own
    const problem: Problem = { kind: 'in-own-words', words: rule.words }
    const place = places.get(`${table.id} ${ref}`)
    const field = placeOf(asked.own)
    if (place === undefined)
      problems.whole.push({ kind: 'in-own-words', words: `${table.name} ${words || ref}: ${rule.words}` })
    else if (place) problems.rows[place] = { ...problems.rows[place], [field ?? '']: problem }
    else if (field) problems.fields[field] = problem
    else problems.whole.push(problem)
  }
  if (broken.some(isRefused)) throw new At(problems)
  const warnings = new Map(
    broken.map(({ asked: { own }, wasBroken }) => [
      own.rule.id,
      wasBroken ? `${own.rule.words} It was so before.` : own.rule.words,
    ]),
  )
  if (warnings.size > 0) throw new Warned([...warnings].map(([rule, words]) => ({ rule, words })))
}
