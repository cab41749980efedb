import { singular } from '../words'
import type { Fact } from './facts'

const people =
  /(er|or|ist|ian|ant|man|woman|person|nurse|coach|guide|chef|clerk|parent|student|agent|patient|vet|artist|doctor|member|child|pupil|guest|client)$/

/** Whether a noun is likely to name people. It takes some things for people too: a counter, a motor. */
export const isPerson = (noun: string): boolean => people.test(noun)

/** Facts that only people have. */
const ofPeople =
  /^(birth ?date|date of birth|birthday|year of birth|first name|last name|surname|forename|maiden name)$/

/**
 * Gives what only people have to the people of the same need, where the words told it of something else: of boats
 * that are "only hired by hirers of age; we keep the birth date".
 */
export function toPeople(facts: readonly Fact[], things: ReadonlySet<string>): readonly Fact[] {
  // "Hirers born in May" are hirers.
  const known = (noun: string) =>
    [noun, singular(noun.split(' ')[0]!)].find((name) => things.has(name) && isPerson(name))
  return facts.map((fact) => {
    if (fact.kind === 'pairFact' && ofPeople.test(fact.named.name)) {
      const owner = [fact.b, fact.a].find(isPerson)
      return owner ? { kind: 'fact', owner, named: fact.named, at: fact.at } : fact
    }
    if (fact.kind !== 'fact' || isPerson(fact.owner) || !ofPeople.test(fact.named.name)) return fact
    const before = facts.flatMap((other) =>
      other.kind === 'thing' && other.at.need === fact.at.need && other.at.start < fact.at.start
        ? (known(other.name) ?? [])
        : [],
    )
    const owner = before.at(-1)
    return owner === undefined ? fact : { ...fact, owner }
  })
}
