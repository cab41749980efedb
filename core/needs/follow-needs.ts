import type { Evidence, Reading } from './reading'

/**
 * A reading of needs as they were, for needs as they are: what it rests on moves along with each text. Words
 * of needs that were reworded or removed prove nothing until they are read again.
 */
export function followNeeds(reading: Reading, before: readonly string[], after: readonly string[]): Reading {
  if (before.length === after.length && before.every((text, at) => text === after[at])) return reading
  const places = new Map<string, number[]>()
  after.forEach((text, at) => places.set(text, [...(places.get(text) ?? []), at]))
  // The same words twice keep their order.
  const moved = before.map((text) => places.get(text)?.shift())
  const follow = (evidence: readonly Evidence[]): Evidence[] =>
    evidence.flatMap((one) => {
      const need = moved[one.need]
      return need === undefined ? [] : [{ ...one, need }]
    })
  const proved = <T extends { readonly evidence: readonly Evidence[] }>(part: T): T => ({
    ...part,
    evidence: follow(part.evidence),
  })
  return {
    ...reading,
    tables: reading.tables.map((table) => ({ ...proved(table), fields: table.fields.map(proved) })),
    ties: reading.ties.map((tie) => ({ ...proved(tie), fields: tie.fields.map(proved) })),
    questions: reading.questions.map(proved).filter((question) => question.evidence.length > 0),
  }
}
