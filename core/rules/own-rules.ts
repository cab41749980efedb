import { type Book, type Rule, type Table, tableOf } from '../book'
import { compile, dependenciesOf, type Facts, nodesOf, readExpression, readKept, type Tree } from '../expressions'
import type { Look, Value } from '../kinds'
import { inSentence, type Json, type Problem } from '../words'

/** A rule that an administrator wrote, as it stands today. */
export interface OwnRule {
  readonly rule: Rule
  readonly table: Table
  /** The expression with today's names. */
  readonly source: string
  /** What it is made of; missing where it can't hold as it is. */
  readonly tree?: Tree
  /** Why it can't hold, in words. */
  readonly because?: string
  /** The fields it speaks of, in the order of the table. */
  readonly fields: readonly string[]
}

// A rule speaks of one table alone, and its numbers have the decimals of the book's currency: it stays what it
// is as long as these do.
const known = new WeakMap<Rule, { readonly look: Look; readonly own: OwnRule }>()

function ownRule(book: Book, rule: Rule): OwnRule {
  const table = tableOf(book, rule.table)
  const found = known.get(rule)
  if (found?.own.table === table && found.look === book.look) return found.own
  const read = readKept(book, table, rule.holds as Json)
  const because = 'problem' in read ? read.problem.words : hindrance(read.tree, table)
  const spoken = 'tree' in read ? dependenciesOf(read.tree) : new Set<string>()
  const fields = table.fields.map(({ id }) => id).filter((id) => spoken.has(id))
  const made: OwnRule = {
    rule,
    table,
    source: read.source,
    fields,
    ...('tree' in read && !because && { tree: read.tree }),
    ...(because && { because }),
  }
  known.set(rule, { look: book.look, own: made })
  return made
}

/** The rules written for one table, or for all. */
export const ownRules = (book: Book, tableId?: string): OwnRule[] =>
  book.rules.filter((rule) => tableId === undefined || rule.table === tableId).map((rule) => ownRule(book, rule))

/** Reads what an administrator typed as a rule of a table: the tree to keep, or what is wrong and where. */
export function readRule(
  book: Book,
  table: Table,
  source: string,
): { readonly holds: Tree } | { readonly words: string; readonly start: number; readonly end: number } {
  const read = readExpression(book, table, source)
  if ('problem' in read) return read.problem
  const because = hindrance(read.tree, table)
  return because ? { words: because, start: 0, end: source.length } : { holds: read.tree }
}

/** Why an expression can't be a rule that the form, the server and the database all keep. */
function hindrance(tree: Tree, table: Table): string | undefined {
  if (tree.type.is !== 'truth') return 'A rule is something that is true or not, such as a comparison.'
  const nodes = nodesOf(tree)
  if (nodes.some((node) => node.kind === 'aggregate' || (node.kind === 'fact' && node.over.length > 0)))
    return `A rule speaks of the facts of one ${inSentence(table.name)} alone; this one speaks of other tables too.`
  if (nodes.some((node) => node.kind === 'call' && node.name.startsWith('CURRENT')))
    return 'A rule that changes from day to day can’t hold in the database. Compare with a field that keeps the day instead.'
  const facts = dependenciesOf(tree)
  if (table.fields.some((field) => field.kind === 'link' && facts.has(field.id)))
    return 'Whether a link is blank is said by “must be filled” of its field, not by a rule.'
  return facts.size === 0 ? 'A rule speaks of at least one field.' : undefined
}

const reckons = new WeakMap<Tree, ReturnType<typeof compile>>()

/**
 * The rules of a table that a record breaks, by the field where it is said: the last one the rule speaks of.
 * A rule of which some facts aren't among the values is let be; the database asks it in any case.
 */
export function brokenRules(
  book: Book,
  tableId: string,
  values: Readonly<Record<string, Value>>,
): Record<string, Problem> {
  const problems: Record<string, Problem> = {}
  if (book.rules.length === 0) return problems
  const facts: Facts = { value: (field) => values[field] ?? null, linked: () => undefined, rows: () => [] }
  for (const { rule, tree, fields } of ownRules(book, tableId)) {
    if (!tree || !fields.every((field) => field in values)) continue
    const reckon = reckons.get(tree) ?? compile(tree)
    reckons.set(tree, reckon)
    // Neither yes nor no refuses nothing: what isn't known can't be wrong.
    if (reckon(facts, never) === false) problems[fields.at(-1)!] ??= { kind: 'in-own-words', words: rule.words }
  }
  return problems
}

// Rules don't speak of today.
const never = { moment: '0001-01-01T00:00' }

/** Rules that can't hold as they are, in words; a book isn't opened with them. */
export const rulesInTheWay = (book: Book): string[] =>
  ownRules(book).flatMap(({ rule, table, because }) =>
    because ? [`The rule “${rule.words}” of ${table.name} can’t hold: ${because} Change it in Rules first.`] : [],
  )
