import { type Book, type Field, findField, type Rule, type Table, wordsOf, fieldWith } from '../book'
import { allNodesOf, displayOf, recheckStored, type Tree, writtenStored } from '../expressions'
import { isDerived, kindOf } from '../kinds'
import { type Json, listed, type Problem } from '../words'

/** A rule with its names looked up. */
export type CompiledRule =
  | {
      readonly kind: 'holds'
      readonly tree: Tree
      /** It speaks of nothing but what is typed into the record, so the record's own row can be held to it. */
      readonly alone: boolean
    }
  | { readonly kind: 'together'; readonly fields: readonly Field[]; readonly blanks: 'differ' | 'alike' }
  | {
      readonly kind: 'apart'
      readonly same: readonly Field[]
      readonly from: Field
      readonly to: Field
      readonly unless?: Tree
    }
  | { readonly kind: 'closed'; readonly once: Tree; readonly except: readonly string[]; readonly rows: boolean }
  | {
      readonly kind: 'follows'
      readonly field: Field
      /** For each word those that may come after it; a word that isn't here stays. */
      readonly after: ReadonlyMap<string, readonly string[]>
    }

export type Read = { readonly compiled: CompiledRule } | { readonly problem: Problem }

type Asked = Pick<Rule, 'says' | 'onlyNew' | 'warns'>

/**
 * Looks a rule's names up, or says why it can't hold as it is. `fresh` is the tree of its expression where that was
 * read just now, and needs no second look.
 */
export function readRuleSays(book: Book, table: Table, rule: Asked, fresh?: Tree): Read {
  const read = lookUp(book, table, rule, fresh)
  if (!('compiled' in read) || table.key.length > 0) return read
  const { compiled } = read
  const byRow =
    compiled.kind === 'follows' || (compiled.kind === 'holds' && compiled.alone && !rule.onlyNew && !rule.warns)
  return byRow ? read : { problem: { kind: 'rule-needs-key', table: table.name } }
}

function lookUp(book: Book, table: Table, { says, onlyNew, warns }: Asked, fresh?: Tree): Read {
  const own = (id: string) => table.fields.find((field) => field.id === id)
  switch (says.kind) {
    case 'holds': {
      const read = fresh ? { tree: fresh } : recheckStored(book, table, says.tree)
      return 'problem' in read ? { problem: read.problem } : asHolding(book, table, read.tree, onlyNew ?? warns)
    }
    case 'together': {
      const fields = says.fields.map(own)
      return fields.every((field) => field !== undefined) ? together(table, fields, says.blanks) : gone(table)
    }
    case 'apart': {
      const [same, from, to] = [says.same.map(own), own(says.from), own(says.to)]
      if (!from || !to || !same.every((field) => field !== undefined)) return gone(table)
      return apart(book, table, { same, from, to }, says.unless)
    }
    case 'closed': {
      const read = recheckStored(book, table, says.once)
      if ('problem' in read) return { problem: read.problem }
      const problem = truthHindrance(read.tree)
      return problem
        ? { problem }
        : { compiled: { kind: 'closed', once: read.tree, except: says.except, rows: says.rows } }
    }
    case 'follows': {
      const field = own(says.field)
      const words = field ? wordsOf(book, field) : []
      const word = (id: string) => words.find((choice) => choice.id === id)?.word
      if (!field || words.length === 0) return { problem: { kind: 'rule-choices-gone', table: table.name } }
      const after = says.steps.flatMap(({ from, to }) => {
        const before = word(from)
        return before === undefined ? [] : [[before, to.flatMap((id) => word(id) ?? [])] as const]
      })
      return { compiled: { kind: 'follows', field, after: new Map(after) } }
    }
  }
}

const gone = (table: Table): Read => ({ problem: { kind: 'rule-fields-gone', table: table.name } })

const truthHindrance = (tree: Tree): Problem | undefined =>
  tree.type.is === 'truth' ? undefined : { kind: 'rule-no-truth' }

/** `passing`: asked at one moment alone, so that it may speak of today. */
function asHolding(book: Book, table: Table, tree: Tree, passing?: boolean): Read {
  const problem = truthHindrance(tree)
  if (problem) return { problem }
  const nodes = allNodesOf(book, tree)
  if (!passing && nodes.some((node) => node.kind === 'call' && node.name.startsWith('CURRENT')))
    return { problem: { kind: 'rule-changes-daily' } }
  const facts = nodes.filter((node) => node.kind === 'fact')
  const gathers = nodes.some((node) => node.kind === 'aggregate')
  if (facts.length === 0 && !gathers) return { problem: { kind: 'rule-without-fields', table: table.name } }
  const alone =
    !gathers &&
    facts.every(({ over, field }) => over.length === 0 && fieldWith(book, field).field.kind !== 'link') &&
    facts.every(({ field }) => !isFrozen(fieldWith(book, field).field))
  return { compiled: { kind: 'holds', tree, alone } }
}

const isFrozen = (field: Field) => field.freezes !== undefined

function together(table: Table, fields: readonly Field[], blanks: 'differ' | 'alike'): Read {
  const unfit = fields.find(
    (field) =>
      ['passage', 'file', 'tick'].includes(kindOf(field.kind).control) || (isDerived(field) && field.kind !== 'copied'),
  )
  if (unfit) return { problem: { kind: 'rule-not-the-same', field: unfit.name, table: table.name } }
  return { compiled: { kind: 'together', fields, blanks } }
}

function apart(
  book: Book,
  table: Table,
  spans: { readonly same: readonly Field[]; readonly from: Field; readonly to: Field },
  unless: Json | undefined,
): Read {
  const [from, to] = [displayOf(book, spans.from), displayOf(book, spans.to)]
  if (from.kind !== to.kind || !['date', 'dateTime', 'time'].includes(from.kind))
    return { problem: { kind: 'rule-not-both-times', from: from.name, to: to.name } }
  if (spans.same.some((field) => isDerived(field)))
    return { problem: { kind: 'rule-same-is-derived', table: table.name } }
  if (unless === undefined) return { compiled: { kind: 'apart', ...spans } }
  const read = recheckStored(book, table, unless)
  if ('problem' in read) return { problem: read.problem }
  const problem = truthHindrance(read.tree)
  return problem ? { problem } : { compiled: { kind: 'apart', ...spans, unless: read.tree } }
}

/** The rule in words, as far as it can still be told; what is written is shown as it is written. */
export function sayRule(book: Book, { says }: Pick<Rule, 'says'>): string {
  const name = (id: string) => findField(book, id)?.field.name ?? 'a field that is gone'
  const written = (tree: Json) => writtenStored(book, tree)
  switch (says.kind) {
    case 'holds':
      return written(says.tree)
    case 'together':
      return `no two have the same ${listed(says.fields.map(name))}${says.blanks === 'alike' ? ', where empty counts as the same as empty' : ''}`
    case 'apart': {
      const unless = says.unless === undefined ? '' : `, unless ${written(says.unless)}`
      const same = says.same.length > 0 ? ` for the same ${listed(says.same.map(name))}` : ''
      return `no two overlap from ${name(says.from)} to ${name(says.to)}${same}${unless}`
    }
    case 'closed': {
      const except = says.except.length > 0 ? ` but ${listed(says.except.map(name))}` : ''
      return `nothing${except} changes once ${written(says.once)}`
    }
    case 'follows': {
      const field = findField(book, says.field)?.field
      const words = field ? wordsOf(book, field) : []
      const word = (id: string) => words.find((choice) => choice.id === id)?.word
      const steps = says.steps.flatMap(({ from, to }) => {
        const after = to.flatMap((id) => word(id) ?? [])
        return word(from) === undefined
          ? []
          : [`${word(from)!} → ${after.length > 0 ? listed(after, 'or') : 'nothing else'}`]
      })
      return `${name(says.field)}: ${steps.join(' · ')}`
    }
  }
}
