import type { Problems } from '@/core/records'
import { type WatchedRule, placeOf } from '@/core/rules'
import type { Problem } from '@/core/words'
import { SaveRefused, Warned } from './save-problems'

/** A record that breaks a rule now that everything is written. */
export interface BrokenRecord {
  readonly asked: WatchedRule
  readonly ref: string
  /** What staff know it by. */
  readonly words: string
  /** It broke the rule already before the save. */
  readonly wasBroken: boolean
  /** The row that it is said of where it isn't one of those that were sent. */
  readonly saidOf?: string | undefined
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
  for (const { asked, ref, words, saidOf } of broken.filter(isRefused)) {
    const { rule, table } = asked.own
    const problem: Problem = { kind: 'in-own-words', words: rule.words }
    const place = places.get(`${table.id} ${ref}`)
    const field = placeOf(asked.own)
    const elsewhere: Problem = { kind: 'in-own-words', words: `${table.name} ${words || ref}: ${rule.words}` }
    if (place === undefined && saidOf !== undefined) problems.rows[saidOf] = { '': elsewhere, ...problems.rows[saidOf] }
    else if (place === undefined) problems.whole.push(elsewhere)
    else if (place) problems.rows[place] = { ...problems.rows[place], [field ?? '']: problem }
    else if (field) problems.fields[field] = problem
    else problems.whole.push(problem)
  }
  if (broken.some(isRefused)) throw new SaveRefused(problems)
  const warnings = new Map(
    broken.map(({ asked: { own }, wasBroken }) => [
      own.rule.id,
      wasBroken ? `${own.rule.words} It was so before.` : own.rule.words,
    ]),
  )
  if (warnings.size > 0) throw new Warned([...warnings].map(([rule, words]) => ({ rule, words })))
}
