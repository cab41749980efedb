import { type Book, fieldOf, linkOf, mustHold, type Table, tableOf } from '../book'
import { aOrAn, inSentence, listed } from '../words'

/** Why no record of a table can be entered, in words; by table id. Tables that can have records aren't in it. */
export function impossibleTables(book: Book): ReadonlyMap<string, string> {
  const why = new Map<string, string>()
  const possible = new Set<string>()
  for (const table of book.tables) {
    const because = ownHindrance(table)
    if (because) why.set(table.id, because)
  }
  // A table is possible once all it must lead to is; what is left over waits for itself, or for what is impossible.
  for (let grew = true; grew;) {
    grew = false
    for (const table of book.tables) {
      if (possible.has(table.id) || why.has(table.id)) continue
      if (mustLeadTo(book, table).every((target) => possible.has(target.id))) {
        possible.add(table.id)
        grew = true
      }
    }
  }
  for (const table of book.tables) {
    if (possible.has(table.id) || why.has(table.id)) continue
    const missing = mustLeadTo(book, table).filter((target) => !possible.has(target.id))
    const circle = circleThrough(book, table, possible)
    why.set(
      table.id,
      circle
        ? `Each ${inSentence(table.name)} must first have ${listed(missing.map((one) => aOrAn(inSentence(one.name))))}, and that comes back to ${aOrAn(inSentence(table.name))}. Let one of the links on the way be empty.`
        : `Each ${inSentence(table.name)} must have ${listed(missing.map((one) => aOrAn(inSentence(one.name))))}, and none can be entered.`,
    )
  }
  return why
}

function ownHindrance(table: Table): string | undefined {
  const empty = table.fields.find(
    (field) => field.kind === 'choice' && mustHold(table, field) && !field.choices?.length,
  )
  if (empty) return `${empty.name} must be filled, and there is no choice for it. Give it choices.`
  if (table.key.length === 0) return `${table.name} has no key. Choose one.`
  return undefined
}

const mustLeadTo = (book: Book, table: Table): Table[] =>
  table.fields
    .filter((field) => field.kind === 'link' && mustHold(table, field))
    .map((field) => tableOf(book, linkOf(book, field.id).one))

function circleThrough(book: Book, table: Table, possible: ReadonlySet<string>): boolean {
  const seen = new Set<string>()
  const reach = (from: Table): boolean =>
    mustLeadTo(book, from).some((target) => {
      if (target.id === table.id) return true
      if (possible.has(target.id) || seen.has(target.id)) return false
      seen.add(target.id)
      return reach(target)
    })
  return reach(table)
}

/** The tables that can have records, each after those it must lead to. */
export function fillingOrder(book: Book): Table[] {
  const impossible = impossibleTables(book)
  const ordered: Table[] = []
  const seen = new Set<string>()
  const visit = (table: Table, must: boolean) => {
    if (seen.has(table.id) || impossible.has(table.id)) return
    if (must) seen.add(table.id)
    for (const target of mustLeadTo(book, table)) visit(target, true)
    if (!ordered.includes(table)) ordered.push(table)
    seen.add(table.id)
  }
  // What leads nowhere by must still comes after what it may lead to, where that closes no circle.
  const wanted = [...book.tables].sort((a, b) => depth(book, a) - depth(book, b))
  for (const table of wanted) visit(table, true)
  return ordered
}

/** How long the longest chain of links from a table is, circles cut. */
function depth(book: Book, table: Table, path: readonly string[] = []): number {
  if (path.includes(table.id) || path.length > 12) return 0
  const targets = table.fields
    .filter((field) => field.kind === 'link')
    .map((field) => tableOf(book, linkOf(book, fieldOf(table, field.id).id).one))
  return Math.max(0, ...targets.map((target) => 1 + depth(book, target, [...path, table.id])))
}
