import * as z from 'zod'
import { fail, ok, type PartWord, type Result } from '../../words'
import type { Book } from '../book'
import { limits } from '../limits'
import { apply, type Step } from '../steps'

/** One kind of edit: its message, what it does to a book, and how history tells it. */
export interface EditKind<Message> {
  readonly schema: z.ZodType<Message>
  readonly steps: (book: Book, edit: Message) => Result<readonly Step[]>
  /** Said of the book before the edit, in the imperative: "Rename Visit to Call-out". */
  readonly say: (book: Book, edit: Message) => string
}

// Never one of the names that every object brings along.
export const Id = z.string().regex(/^(?!__)[\w-]{1,40}$/)
export const typedName = z.string().max(400)

/** Builds steps one after the other, each on the book as the ones before it left it. */
export function inTurn(book: Book, ...makers: readonly ((book: Book) => readonly Step[])[]): Step[] {
  const all: Step[] = []
  let current = book
  for (const make of makers) {
    const steps = make(current)
    const next = apply(current, steps)
    if (!next.ok) throw new Error(`Expected steps that fit; ${JSON.stringify(next.problem)}`)
    all.push(...steps)
    current = next.value
  }
  return all
}

/** A name tidied, or why it can't be used beside the others. */
export function readName(
  typed: string,
  what: PartWord,
  others: readonly { readonly name: string }[],
  within?: string,
): Result<string> {
  const name = typed
    .normalize('NFC')
    .replace(/\p{Cc}|\p{Cf}/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  if (name === '') return fail({ kind: 'name-blank', what })
  if (name.length > limits.nameLength) return fail({ kind: 'name-too-long', what, limit: limits.nameLength })
  const taken = others.some((other) => other.name.toLowerCase() === name.toLowerCase())
  return taken ? fail({ kind: 'name-taken', what, name, ...(within && { within }) }) : ok(name)
}

/** What the number is called that a table is given for its key: "Visit number". */
export const numberName = (table: string): string =>
  /\bnumber$/i.test(table) ? 'Running number' : `${table.slice(0, limits.nameLength - 7)} number`

/** The first of "Visit", "Visit 2", "Visit 3" … that nobody has. */
export function freeName(wished: string, others: readonly { readonly name: string }[]): string {
  const taken = new Set(others.map((other) => other.name.toLowerCase()))
  const short = wished.slice(0, limits.nameLength)
  for (let count = 1; ; count++) {
    const name = count === 1 ? short : `${short.slice(0, limits.nameLength - 4)} ${count}`
    if (!taken.has(name.toLowerCase())) return name
  }
}

export const orNothing = (steps: readonly Step[]): Result<readonly Step[]> =>
  steps.length === 0 ? fail({ kind: 'nothing-to-change' }) : ok(steps)

/** Refuses steps that would leave a table linked to without a key. */
export function keepingKeys(book: Book, steps: readonly Step[]): Result<readonly Step[]> {
  const after = apply(book, steps)
  if (!after.ok) return after
  const bare = after.value.tables.find(
    (table) => table.key.length === 0 && after.value.links.some((link) => link.one === table.id),
  )
  if (!bare) return ok(steps)
  const holders = after.value.links.filter((link) => link.one === bare.id).map((link) => link.many)
  const names = after.value.tables.filter((table) => holders.includes(table.id)).map((table) => table.name)
  return fail({ kind: 'key-holds-links', table: bare.name, links: names })
}
