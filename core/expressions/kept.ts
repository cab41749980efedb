import * as z from 'zod'
import { type Book, findField, findLink, type Table } from '../book'
import type { Json } from '../words'
import { type Checked, readExpression } from './check'
import { showExpression } from './show'
import { nodesOf, type Tree } from './tree'

const type = z.looseObject({ is: z.string() })
const node = z.lazy((): z.ZodType => Node)
const made = <Kind extends string, Shape extends z.ZodRawShape>(kind: Kind, shape: Shape) =>
  z.looseObject({ kind: z.literal(kind), type, ...shape })

/** The shape of a kept tree; what it gives is worked out anew, so types are looked at for no more than their name. */
const Node = z.discriminatedUnion('kind', [
  made('literal', { value: z.string().nullable() }),
  made('fact', { over: z.array(z.string()), field: z.string() }),
  made('not', { of: node }),
  made('minus', { of: node }),
  made('binary', { operator: z.string(), left: node, right: node }),
  made('shift', { of: node, count: z.int(), unit: z.string() }),
  made('days', { left: node, right: node }),
  made('in', { of: node, among: z.array(node) }),
  made('like', { of: node, pattern: node, escape: z.string() }),
  made('isNull', { of: node }),
  made('case', { whens: z.array(z.tuple([node, node])), other: node.optional() }),
  made('call', { name: z.string(), args: z.array(node) }),
  made('cast', { of: node }),
  made('aggregate', { name: z.string(), link: z.string(), of: node.optional(), where: node.optional() }),
])

/** Whether everything that a tree names is in the book. */
const isThere = (book: Book, tree: Tree) =>
  nodesOf(tree).every((one) => {
    if (one.kind === 'aggregate') return findLink(book, one.link) !== undefined
    return one.kind !== 'fact' || [...one.over, one.field].every((id) => findField(book, id) !== undefined)
  })

/**
 * A kept expression as it reads with today's names, and checked anew: what it speaks of may have gone or may
 * hold something else by now.
 */
export function readKept(book: Book, table: Table, json: Json): Checked & { readonly source: string } {
  const read = Node.safeParse(json)
  const tree = read.success ? (read.data as unknown as Tree) : undefined
  if (tree && isThere(book, tree)) {
    const source = showExpression(book, tree)
    return { ...readExpression(book, table, source), source }
  }
  return { problem: { start: 0, end: 0, words: 'It speaks of what is no longer there. Write it anew.' }, source: '' }
}
