import { type Book, type Field, type Table, fieldWith } from '../../book'
import { isDerived, quotientScale } from '../../kinds'
import { type Json, oncePerPart, type Problem, wordProblem } from '../../words'
import { type Checked, checkExpression } from '../check/check'
import { checkStored } from '../check/check-stored'
import { displayFor } from './display'
import { nowhere, type TypeOfDerived } from '../check/check-help'
import { storedTree } from '../check/stored-tree'
import { brokenPart, standingHindrance } from './made-from'
import { dependenciesOf, nodesOf, type Tree } from '../tree'
import type { Type } from '../types'

/** A derived field as it stands today. */
export interface Derived {
  /** What it gives, rounded to the field's decimals. */
  readonly tree: Tree
  /** When it stops following its sources: a condition over the record's own facts. */
  readonly freezes?: Tree
  /** The field it looks like: of a kind that stores such values, with the same id and name. */
  readonly display: Field
  /** How many parts it has, those of the fields it is made from included. */
  readonly size: number
}

const mostParts = 2000

/** A derived field, or why it can't be computed. */
export type Deriving = Derived | { readonly problem: Problem }

/** What a derived field of a book is made of. */
export const derivedOf: (book: Book, fieldId: string) => Deriving = oncePerPart(derive)

function derive(book: Book, fieldId: string): Deriving {
  const { field, table } = fieldWith(book, fieldId)
  const named = { field: field.name, table: table.name }
  if (field.source === undefined) return { problem: { kind: 'derived-from-nothing', ...named } }
  // Asked first: what goes in a circle could be read for ever.
  const unfounded = standingHindrance(book, fieldId)
  if (unfounded) return { problem: unfounded }
  const read = recheckStored(book, table, field.source)
  const hindrance = 'problem' in read ? read.problem : hindranceOf(field, read.tree)
  if ('problem' in read || hindrance)
    return { problem: { kind: 'derived-broken', ...named, words: wordProblem(hindrance!) } }
  const tree = rounded(field, read.tree)
  const size = sizeOf(book, tree)
  if (size > mostParts) return { problem: { kind: 'derived-too-big', ...named, size, most: mostParts } }
  const display = displayFor(book, field, tree, (id) => displayOf(book, fieldWith(book, id).field))
  if (field.freezes === undefined) return { tree, display, size }
  const freezes = recheckStored(book, table, field.freezes)
  const unclear = 'problem' in freezes ? freezes.problem : freezingHindrance(book, freezes.tree)
  if ('problem' in freezes || unclear)
    return { problem: { kind: 'freezing-unclear', ...named, words: wordProblem(unclear!) } }
  return { tree, display, size, freezes: freezes.tree }
}

/** Why an expression can't be what a field of its kind is made from. */
export function hindranceOf(field: Field, tree: Tree): Problem | undefined {
  const { kind } = field
  if ((kind === 'borrowed' || kind === 'copied') && (tree.kind !== 'fact' || tree.over.length === 0))
    return { kind: 'no-linked-fact' }
  if (kind === 'gathered' && tree.kind !== 'aggregate') return { kind: 'no-gathering' }
  if (tree.type.is === 'nothing') return { kind: 'always-empty' }
  if (kind === 'workedOut' && dependenciesOf(tree).size === 0) return { kind: 'says-nothing' }
  return undefined
}

/** Freezing is asked of the record alone, so that it stands as long as the record does. */
export function freezingHindrance(book: Book, tree: Tree): Problem | undefined {
  if (tree.type.is !== 'truth') return { kind: 'freezes-on-no-truth' }
  const own = nodesOf(tree).every(
    (node) =>
      node.kind !== 'aggregate' &&
      (node.kind !== 'fact' || (node.over.length === 0 && !isDerived(fieldWith(book, node.field).field))) &&
      !(node.kind === 'call' && node.name.startsWith('CURRENT')),
  )
  return own ? undefined : { kind: 'freezes-on-others' }
}

function sizeOf(book: Book, tree: Tree): number {
  return nodesOf(tree).reduce((size, node) => {
    const made = node.kind === 'fact' && isDerived(fieldWith(book, node.field).field) && derivedOf(book, node.field)
    return size + (made && 'size' in made ? made.size : 1)
  }, 0)
}

type ExactType = Extract<Type, { is: 'exact' }>

/** Quotients have more decimals than people want to read, unless they say how many. */
function rounded(field: Field, tree: Tree): Tree {
  if (tree.type.is !== 'exact') return tree
  const wanted = field.decimals ?? (tree.type.scale >= quotientScale ? 2 : tree.type.scale)
  if (wanted === tree.type.scale) return tree
  const type: ExactType = { ...tree.type, scale: wanted, whole: Math.min(tree.type.whole + 1, 65 - wanted) }
  return { kind: 'cast', of: tree, type, quiet: true }
}

/** The field that a derived one looks like, or the field itself. A broken one looks like a line of text. */
export function displayOf(book: Book, field: Field): Field {
  if (!isDerived(field)) return field
  const made = derivedOf(book, field.id)
  return 'display' in made ? made.display : { id: field.id, name: field.name, kind: 'line', length: 200 }
}

/** What an expression by itself gives: rounded as a field of it would be, with what it looks like. */
export function displayOfTree(book: Book, id: string, tree: Tree): { readonly tree: Tree; readonly face: Field } {
  const nameless: Field = { id, name: '', kind: 'workedOut' }
  const shown = rounded(nameless, tree)
  return {
    tree: shown,
    face: displayFor(book, nameless, shown, (other) => displayOf(book, fieldWith(book, other).field)),
  }
}

/** Whether a derived field has a column of its own: because it was copied, or will be frozen. */
export const isStored = (field: Field) => field.kind === 'copied' || field.freezes !== undefined

const typeOf: TypeOfDerived = (book, field) => {
  const made = derivedOf(book, field.id)
  return 'tree' in made ? { type: made.tree.type } : { problem: brokenPart(book, field.id) }
}

/** Reads an expression over one table: its names looked up, its types made sure of. */
export const readExpression = (book: Book, table: Table, source: string): Checked =>
  checkExpression(book, table, source, typeOf)

/** A stored expression checked anew: what it speaks of may have gone or may hold something else by now. */
export function recheckStored(book: Book, table: Table, json: Json): Checked {
  const tree = storedTree(book, json)
  return tree ? checkStored(book, table, tree, typeOf) : { problem: { kind: 'stored-gone' }, at: nowhere }
}

/** A tree and everything in it, what derived facts are made from included. */
export function allNodesOf(book: Book, tree: Tree): readonly Tree[] {
  return nodesOf(tree).flatMap((node) => {
    if (node.kind !== 'fact' || !isDerived(fieldWith(book, node.field).field)) return [node]
    const made = derivedOf(book, node.field)
    return 'tree' in made ? [node, ...allNodesOf(book, made.tree)] : [node]
  })
}

/** What is wrong with derived fields that can't be computed as they stand; a book isn't opened with them. */
export const derivedInTheWay = (book: Book): Problem[] =>
  book.tables.flatMap((table) =>
    table.fields.filter(isDerived).flatMap((field) => {
      const made = derivedOf(book, field.id)
      return 'problem' in made ? [made.problem] : []
    }),
  )
