import { type Book, partName, fieldWith } from '../../book'
import { isDerived } from '../../kinds'
import { oncePer, type Problem, wordProblem } from '../../words'
import { storedTree } from '../check/stored-tree'
import { dependenciesOf } from '../tree'

interface MadeFrom {
  /** Every field and link that each derived field speaks of. */
  readonly spoken: ReadonlyMap<string, ReadonlySet<string>>
  /** The derived fields that each derived field is made from. */
  readonly parts: ReadonlyMap<string, readonly string[]>
  /** How many fields stand on each other up to this one; none for what goes in a circle or rests on one. */
  readonly levels: ReadonlyMap<string, number>
}

const madeFrom = oncePer((book: Book): MadeFrom => {
  const derived = book.tables.flatMap((table) => table.fields.filter(isDerived))
  const ids = new Set(derived.map((field) => field.id))
  const spoken = new Map(
    derived.map((field) => {
      const kept = [field.source, field.freezes].flatMap((json) => storedTree(book, json ?? null) ?? [])
      return [field.id, new Set(kept.flatMap((tree) => [...dependenciesOf(tree)]))] as const
    }),
  )
  const parts = new Map([...spoken].map(([id, all]) => [id, [...all].filter((part) => ids.has(part))] as const))
  return { spoken, parts, levels: levelsOf(parts) }
})

/** Kahn's way (1962): what needs nothing first, then what needs only that; what is left goes in circles. */
function levelsOf(parts: ReadonlyMap<string, readonly string[]>): ReadonlyMap<string, number> {
  const levels = new Map<string, number>()
  const users = new Map<string, string[]>()
  const missing = new Map<string, number>()
  for (const [id, needs] of parts) {
    missing.set(id, needs.length)
    for (const need of needs) users.set(need, [...(users.get(need) ?? []), id])
  }
  let ready = [...parts.keys()].filter((id) => missing.get(id) === 0)
  for (let level = 1; ready.length > 0; level++) {
    const next: string[] = []
    for (const id of ready) {
      levels.set(id, level)
      for (const user of users.get(id) ?? []) {
        missing.set(user, missing.get(user)! - 1)
        if (missing.get(user) === 0) next.push(user)
      }
    }
    ready = next
  }
  return levels
}

const mostLevels = 40

/** Why a derived field can't stand on those it is made from, whatever they are like, or nothing. */
export function standingHindrance(book: Book, fieldId: string): Problem | undefined {
  const { parts, levels } = madeFrom(book)
  const level = levels.get(fieldId)
  const part = partName(book, fieldId)
  if (level !== undefined)
    return level > mostLevels ? { kind: 'derived-too-deep', part, level, most: mostLevels } : undefined
  const circle = circleThrough(parts, fieldId)
  if (circle) return { kind: 'derived-from-itself', part, round: [...circle, fieldId].map((id) => partName(book, id)) }
  const broken = parts.get(fieldId)!.find((id) => !levels.has(id))!
  return { kind: 'derived-on-broken', part, words: wordProblem(brokenPart(book, broken)) }
}

/** What is said of a field that others are made from, where they are. */
export function brokenPart(book: Book, fieldId: string): Problem {
  const { field, table } = fieldWith(book, fieldId)
  return { kind: 'part-broken', field: field.name, table: table.name }
}

/** The shortest way from a derived field back to itself, if there is one. */
function circleThrough(parts: ReadonlyMap<string, readonly string[]>, fieldId: string): string[] | undefined {
  const from = new Map<string, string>()
  const waiting = [fieldId]
  for (const id of waiting) {
    for (const next of parts.get(id) ?? []) {
      if (next === fieldId) return wayTo(from, id)
      if (from.has(next)) continue
      from.set(next, id)
      waiting.push(next)
    }
  }
  return undefined
}

function wayTo(from: ReadonlyMap<string, string>, id: string): string[] {
  const way = [id]
  for (let before = from.get(id); before !== undefined; before = from.get(before)) way.unshift(before)
  return way
}

/** The derived fields that change with a field or a link, at whatever remove. */
export function changesWith(book: Book, part: string): string[] {
  const { spoken } = madeFrom(book)
  const found = [part]
  for (const one of found)
    for (const [id, speaksOf] of spoken) if (speaksOf.has(one) && !found.includes(id)) found.push(id)
  return found.slice(1)
}

/** What a derived field is made from itself: fields, and links that it goes over. */
export const speaksOf = (book: Book, fieldId: string): readonly string[] => [
  ...(madeFrom(book).spoken.get(fieldId) ?? []),
]
