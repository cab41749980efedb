import { type Book, type Field, fieldOf, findField, type Rule, type Table, tableOf } from '../book'
import { dependenciesOf, evaluate, type Facts, ownFacts, ownNeeds, type Tree } from '../expressions'
import { isTyped, type Look, type Now, type Value } from '../kinds'
import { type Problem, oncePerPart, wordProblem } from '../words'
import { type CompiledRule, readRuleSays, sayRule } from './compiled-rule'

/** A rule that an administrator made, as it stands today. */
export interface OwnRule {
  readonly rule: Rule
  readonly table: Table
  /** What it says with today's names. */
  readonly source: string
  /** Its names looked up; missing where it can't hold as it is. */
  readonly compiled?: CompiledRule
  /** Why it can't hold, in words. */
  readonly problem?: Problem
  /** The fields of the table that it speaks of, in their order. */
  readonly fields: readonly string[]
}

interface Known {
  readonly look: Look
  readonly table: Table
  /** All there was, where it speaks of more than what is typed into the record. */
  readonly around?: Pick<Book, 'tables' | 'links'>
  readonly own: OwnRule
}

// A rule stays what it is as long as everything it speaks of does. Most speak of one table alone.
const known = new WeakMap<Rule, Known>()

function ownRule(book: Book, rule: Rule): OwnRule {
  const table = tableOf(book, rule.table)
  const found = known.get(rule)
  const { around } = found ?? {}
  if (found?.table === table && found.look === book.look)
    if (!around || (around.tables === book.tables && around.links === book.links)) return found.own
  const own = readOwn(book, rule)
  const alone = own.compiled && isAlone(book, own.compiled)
  known.set(rule, {
    look: book.look,
    table,
    own,
    ...(!alone && { around: { tables: book.tables, links: book.links } }),
  })
  return own
}

/** Whether a compiled rule looks at nothing but what is typed into the record. */
function isAlone(book: Book, compiled: CompiledRule): boolean {
  return (
    treesOf(compiled).every((tree) => ownNeeds(book, tree) !== undefined) &&
    [...spokenOf(compiled)].every((id) => findField(book, id)?.field.source === undefined)
  )
}

/** The expressions in a compiled rule. */
export function treesOf(compiled: CompiledRule): readonly Tree[] {
  switch (compiled.kind) {
    case 'holds':
      return [compiled.tree]
    case 'closed':
      return [compiled.once]
    case 'apart':
      return compiled.unless ? [compiled.unless] : []
    default:
      return []
  }
}

function readOwn(book: Book, rule: Rule): OwnRule {
  const table = tableOf(book, rule.table)
  const read = readRuleSays(book, table, rule)
  const spoken = 'compiled' in read ? spokenOf(read.compiled) : new Set<string>()
  return {
    rule,
    table,
    source: sayRule(book, rule),
    fields: table.fields.map(({ id }) => id).filter((id) => spoken.has(id)),
    ...('compiled' in read ? { compiled: read.compiled } : { problem: read.problem }),
  }
}

/** The fields of its own that a compiled rule compares without an expression. */
export function fieldsOf(compiled: CompiledRule): readonly Field[] {
  switch (compiled.kind) {
    case 'together':
      return compiled.fields
    case 'apart':
      return [...compiled.same, compiled.from, compiled.to]
    case 'follows':
      return [compiled.field]
    default:
      return []
  }
}

/** The ids of fields and links that a compiled rule speaks of. */
export const spokenOf = (compiled: CompiledRule): ReadonlySet<string> =>
  new Set([
    ...fieldsOf(compiled).map((field) => field.id),
    ...treesOf(compiled).flatMap((tree) => [...dependenciesOf(tree)]),
  ])

/** The rules made for one table, or for all. */
export const ownRules = (book: Book, tableId?: string): OwnRule[] =>
  book.rules.filter((rule) => tableId === undefined || rule.table === tableId).map((rule) => ownRule(book, rule))

/** What a record must be known as for its rules to be asked: its facts, and what it was before, if it was. */
export interface AskedRecord {
  readonly facts: Facts
  readonly now: Now
  /** The record as it is stored; none for a new one. */
  readonly stored?: Readonly<Record<string, Value>> | undefined
  /** Whether all that an expression asks for is at hand. */
  readonly knows: (tree: Tree) => boolean
}

export interface Broken {
  readonly rule: Rule
  /** The field where it is said: the last one that the rule speaks of. */
  readonly field: string | undefined
  readonly problem: Problem
}

/**
 * The rules that a record breaks, as far as that can be told of the record by itself. Neither yes nor no
 * refuses nothing: what isn't known can't be wrong.
 */
export function checkRules(book: Book, tableId: string, record: AskedRecord): Broken[] {
  if (book.rules.length === 0) return []
  return ownRules(book, tableId).flatMap(({ rule, table, compiled, fields }): Broken[] => {
    if (!compiled || (rule.onlyNew && record.stored)) return []
    const broken =
      compiled.kind === 'holds'
        ? isFalse(compiled.tree, record)
        : compiled.kind === 'follows' && stepsWrong(compiled, record)
    const field = placeOf({ table, compiled, fields })
    return broken ? [{ rule, field, problem: { kind: 'in-own-words', words: rule.words } }] : []
  })
}

/** The field where a broken rule is said: where somebody can mend it, else where what is derived shows it. */
export function placeOf({
  table,
  compiled,
  fields,
}: Pick<OwnRule, 'table' | 'compiled' | 'fields'>): string | undefined {
  if (compiled?.kind === 'apart') return compiled.from.id
  return fields.filter((id) => isTyped(fieldOf(table, id))).at(-1) ?? fields.at(-1)
}

const isFalse = (tree: Tree, { facts, now, knows }: AskedRecord) => knows(tree) && evaluate(tree, facts, now) === '0'

/** A link to a list of words holds its word as a reference, which is safe in an address. */
function wordIn({ kind }: Field, value: Value): Value {
  try {
    return kind === 'link' && value !== null ? decodeURIComponent(value) : value
  } catch {
    return value
  }
}

function stepsWrong(
  { field, after }: Extract<CompiledRule, { kind: 'follows' }>,
  { facts, stored }: AskedRecord,
): boolean {
  const [was, is] = [stored?.[field.id] ?? null, facts.value(field.id)].map((value) => wordIn(field, value))
  return Boolean(was && is && was !== is && after.get(was)?.includes(is) !== true)
}

/**
 * The rules that given values break, by the field where it is said: those over nothing but what was given.
 * The others are asked elsewhere, and by the database in any case.
 */
export function brokenRules(
  book: Book,
  tableId: string,
  values: Readonly<Record<string, Value>>,
  now: Now = never,
): Record<string, Problem> {
  const knows = (tree: Tree) => needsOf(book, tree)?.every((field) => field in values) ?? false
  const facts = ownFacts(book, values, now)
  const broken = checkRules(book, tableId, { facts, now, knows }).filter(({ rule }) => !rule.warns && !rule.onlyNew)
  return Object.fromEntries(
    broken.flatMap(({ field, problem }) => (field ? [[field, problem] as const] : [])).reverse(),
  )
}

/** Asked for every record that is checked, so it is found once. */
const needsOf: (book: Book, tree: Tree) => readonly string[] | undefined = oncePerPart(ownNeeds)

// Rules that are always asked don't speak of today.
const never = { moment: '0001-01-01T00:00' }

/** What is wrong with rules that can't hold as they are; a book isn't opened with them. */
export const rulesInTheWay = (book: Book): Problem[] =>
  ownRules(book).flatMap(({ rule, table, problem }): Problem[] =>
    problem ? [{ kind: 'rule-not-kept', rule: rule.words, table: table.name, words: wordProblem(problem) }] : [],
  )
