import { type Book, linkOf, type Table, tableOf, fieldWith, linkWith } from '../../book'
import { checkAggregate } from './check-aggregate'
import { checkBinary, checkShift } from './check-binary'
import { checkCall, checkCast } from './check-calls'
import { checkFact } from './check-facts'
import { checkCase, checkIn, checkLike, checkMinus, checkNot, isNull } from './check-forms'
import {
  eachChecked,
  fail,
  isFailure,
  nowhere,
  type Outcome,
  type PartsOf,
  type Scope,
  type TypeOfDerived,
} from './check-help'
import type { Checked } from './check'
import { checkStoredLiteral } from './check-literals'
import { leadsNowhere, noSuchField, noSuchRows } from './names'
import type { CastTarget } from '../text/syntax'
import { type Node, nodesOf, partsOf, type Tree } from '../tree'
import type { Type } from '../types'

/**
 * Checks a stored tree anew over one table, as its text would be: what it speaks of may hold something else by
 * now, and be of other types. Its problems stand nowhere, since nothing was written.
 */
export function checkStored(book: Book, table: Table, tree: Tree, typeOf: TypeOfDerived): Checked {
  const checked = checkTree({ book, table, typeOf }, tree)
  return isFailure(checked) ? checked : { tree: checked }
}

function checkTree(scope: Scope, tree: Tree): Outcome {
  switch (tree.kind) {
    case 'literal':
      return checkStoredLiteral(tree)
    case 'fact':
      return fact(scope, tree, false)
    case 'not':
      return withParts(scope, [tree.of], ([of]) => checkNot(of))
    case 'minus':
      return withParts(scope, [tree.of], ([of]) => checkMinus(of))
    case 'binary':
      return withParts(scope, [tree.left, tree.right], ([a, b]) =>
        checkBinary(scope.book, tree.operator, a, b, nowhere),
      )
    case 'days':
      return withParts(scope, [tree.left, tree.right], ([a, b]) => checkBinary(scope.book, '-', a, b, nowhere))
    case 'shift':
      return withParts(scope, [tree.of], ([of]) => checkShift(of, tree.count, tree.unit, nowhere))
    case 'in':
      return withParts(scope, [tree.of, ...tree.among], (parts) => checkIn(scope.book, parts))
    case 'like':
      return withParts(scope, [tree.of, tree.pattern], ([of, pattern]) => checkLike(of, pattern, tree.escape))
    case 'isNull': {
      const of = tree.of.kind === 'fact' ? fact(scope, tree.of, true) : checkTree(scope, tree.of)
      return isFailure(of) ? of : isNull({ tree: of, at: nowhere })
    }
    case 'case':
      return withParts(scope, partsOf(tree), checkCase)
    case 'call':
      return withParts(scope, tree.args, (args) => checkCall(tree.name, args, nowhere))
    case 'cast':
      // What nobody wrote is added anew where it is needed.
      if (tree.quiet) return checkTree(scope, tree.of)
      return withParts(scope, [tree.of], ([of]) => checkCast(of, castTarget(tree.type), nowhere))
    case 'aggregate':
      return aggregate(scope, tree)
  }
}

function withParts<const Trees extends readonly Tree[]>(
  scope: Scope,
  trees: Trees,
  form: (parts: PartsOf<Trees>) => Outcome,
): Outcome {
  const parts = eachChecked(
    trees,
    (one: Tree) => checkTree(scope, one),
    () => nowhere,
  )
  return isFailure(parts) ? parts : form(parts)
}

/** A fact by its ids: each link on the way is of the table that the one before leads to. */
function fact(scope: Scope, tree: Node<'fact'>, bare: boolean): Outcome {
  let here = scope.table
  for (const id of tree.over) {
    const link = fieldWith(scope.book, id).field
    if (!here.fields.includes(link)) return fail(nowhere, noSuchField(here, link.name))
    if (link.kind !== 'link') return fail(nowhere, leadsNowhere(here, link))
    here = tableOf(scope.book, linkOf(scope.book, id).one)
  }
  const { field } = fieldWith(scope.book, tree.field)
  return here.fields.includes(field)
    ? checkFact(scope, tree.over, field, nowhere, bare)
    : fail(nowhere, noSuchField(here, field.name))
}

function aggregate(scope: Scope, tree: Node<'aggregate'>): Outcome {
  if (scope.rows) return fail(nowhere, { kind: 'gathered-twice' })
  const link = linkWith(scope.book, tree.link)
  const rows = tableOf(scope.book, link.many)
  if (link.one !== scope.table.id) return fail(nowhere, noSuchRows(scope.book, scope.table, rows.name))
  const { of, where } = tree
  // The rows are told by a name in what is gathered of them.
  if (of && !nodesOf(of).some((node) => node.kind === 'fact'))
    return fail(nowhere, { kind: 'rows-missing', name: tree.name })
  const within = { ...scope, table: rows, rows: rows.name }
  return withParts(within, [...(where ? [where] : []), ...(of ? [of] : [])], (parts) =>
    checkAggregate(tree.name, link, {
      of: of && parts.at(-1)!,
      where: where && parts[0]!,
      called: of?.kind === 'fact' ? fieldWith(scope.book, of.field).field.name : undefined,
      rows,
      at: nowhere,
    }),
  )
}

/** The type of a cast that was written, as CAST names it. */
function castTarget(type: Type): CastTarget {
  if (type.is === 'exact') return { name: 'DECIMAL', sizes: [type.whole + type.scale, type.scale] }
  if (type.is === 'text') return { name: 'VARCHAR', sizes: [] }
  return { name: type.is === 'date' ? 'DATE' : 'TIMESTAMP', sizes: [] }
}
