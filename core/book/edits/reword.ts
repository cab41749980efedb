import type { Json } from '../../words'
import type { Book, Field } from '../book'
import { setKeys } from '../build-steps'
import type { Step } from '../steps'

type Node = { readonly [key: string]: Json }

const isNode = (json: Json | undefined): json is Node =>
  typeof json === 'object' && json !== null && !Array.isArray(json)

/** Expressions that compare a choice with one of its words go on doing so when it is reworded. */
export function expressionsFollow(book: Book, before: Field, after: Field): Step[] {
  const changed = (before.choices ?? []).flatMap(({ id, word }): [string, string][] => {
    const now = after.choices?.find((choice) => choice.id === id)?.word
    return now === undefined || now === word ? [] : [[alike(word), now]]
  })
  if (changed.length === 0) return []
  const words = new Map(changed)
  const facts = shownAs(book, before.id)
  const follow = (json: Json | undefined) => (json === undefined ? undefined : reworded(json, facts, words))
  return [
    ...book.rules.flatMap((rule) => setKeys(rule, rule.id, { says: follow(rule.says as Json) })),
    ...book.tables.flatMap((table) =>
      table.fields.flatMap((field) =>
        field.id === before.id
          ? []
          : setKeys(field, field.id, { source: follow(field.source), freezes: follow(field.freezes) }),
      ),
    ),
  ]
}

const alike = (word: string) => word.trimEnd().toLowerCase()

/** The choice, and the fields elsewhere that borrow it. */
function shownAs(book: Book, pick: string): ReadonlySet<string> {
  const facts = new Set([pick])
  const borrowed = book.tables.flatMap((table) => table.fields.filter(({ kind }) => kind === 'borrowed'))
  for (let found = 0; found < facts.size;) {
    found = facts.size
    for (const { id, source } of borrowed) if (isNode(source) && facts.has(source.field as string)) facts.add(id)
  }
  return facts
}

function reworded(json: Json, facts: ReadonlySet<string>, words: ReadonlyMap<string, string>): Json {
  if (Array.isArray(json)) return json.map((part) => reworded(part as Json, facts, words))
  if (!isNode(json)) return json
  const node = Object.fromEntries(Object.entries(json).map(([key, part]) => [key, reworded(part, facts, words)]))
  const isFact = (part: Json | undefined) => {
    const of = bare(part)
    return of?.kind === 'fact' && facts.has(of.field as string)
  }
  const word = (part: Json | undefined): Json =>
    isNode(part) && part.kind === 'literal' && typeof part.value === 'string' && words.has(alike(part.value))
      ? { ...part, value: words.get(alike(part.value))! }
      : part!
  if (node.kind === 'binary' && isFact(node.left)) return { ...node, right: word(node.right) }
  if (node.kind === 'binary' && isFact(node.right)) return { ...node, left: word(node.left) }
  if (node.kind === 'in' && isFact(node.of)) return { ...node, among: (node.among as Json[]).map(word) }
  return node
}

const bare = (part: Json | undefined): Node | undefined =>
  isNode(part) ? (part.kind === 'cast' && part.quiet === true ? bare(part.of) : part) : undefined
