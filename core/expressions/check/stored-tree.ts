import * as z from 'zod'
import { type Book, findField, findLink } from '../../book'
import type { Json } from '../../words'
import { nodesOf, type Tree } from '../tree'

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

/** A kept expression, if it is one and all it speaks of is still there; its types are those of when it was kept. */
export function storedTree(book: Book, json: Json): Tree | undefined {
  const read = Node.safeParse(json)
  const tree = read.success ? (read.data as unknown as Tree) : undefined
  return tree && isThere(book, tree) ? tree : undefined
}

/** A tree as a book keeps it: plain JSON, without what is undefined. */
export const storeTree = (tree: Tree) => JSON.parse(JSON.stringify(tree)) as z.infer<ReturnType<typeof z.json>>
