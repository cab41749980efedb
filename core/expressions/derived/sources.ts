import { type Book, type Field, findLink, type Table, tableOf, linkWith } from '../../book'
import type { Json, Problem } from '../../words'
import type { Checked } from '../check/check'
import { freezingHindrance, hindranceOf, readExpression } from './derived'
import { storedTree } from '../check/stored-tree'
import { showExpression, writtenBy, writtenName } from '../text/show'
import type { AggregateName } from '../text/syntax'
import type { Tree } from '../tree'

function readWith(book: Book, table: Table, source: string, hindrance: (tree: Tree) => Problem | undefined): Checked {
  const read = readExpression(book, table, source)
  if ('problem' in read) return read
  const problem = hindrance(read.tree)
  return problem ? { problem, at: { start: 0, end: source.length } } : read
}

/** Reads what was typed as the source of a derived field: the tree to keep, or what is wrong and where. */
export const readSource = (book: Book, table: Table, field: Field, source: string): Checked =>
  readWith(book, table, source, (tree) => hindranceOf(field, tree))

/** Reads what was typed as the moment when a worked-out field freezes. */
export const readFreezing = (book: Book, table: Table, source: string): Checked =>
  readWith(book, table, source, (tree) => freezingHindrance(book, tree))

/** A kept expression with today's names, as far as it can still be told. */
export function writtenStored(book: Book, json: Json | undefined): string {
  const tree = json === undefined ? undefined : storedTree(book, json)
  return tree ? showExpression(book, tree) : ''
}

/** What a gathered field gathers, in parts that are chosen one by one. */
export interface Gathering {
  /** The id of the link by which the rows that are gathered lead here. */
  readonly link: string
  readonly name: AggregateName
  /** What is taken of each row, as it is written; blank where rows are counted. */
  readonly of: string
  /** Which rows count, as it is written; blank for all. */
  readonly where: string
}

/** A kept gathered source in its parts, where it is one. */
export function gatheringOf(book: Book, json: Json | undefined): Gathering | undefined {
  const tree = json === undefined ? undefined : storedTree(book, json)
  const link = tree?.kind === 'aggregate' && findLink(book, tree.link)
  if (!link) return undefined
  const rows = tableOf(book, link.many)
  const show = (part: Tree | undefined) => (part ? showExpression(book, part, rows.name) : '')
  return { link: link.id, name: tree.name, of: show(tree.of), where: show(tree.where) }
}

/** A gathering as it is written. */
export function writeGathering(book: Book, { link: id, name, of, where }: Gathering): string {
  const link = linkWith(book, id)
  return `${name}(${of || writtenName(tableOf(book, link.many).name)}${writtenBy(book, link)})${where.trim() ? ` FILTER (WHERE ${where.trim()})` : ''}`
}
