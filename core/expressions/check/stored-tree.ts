import { dateUnits } from '../../kinds'
import { type Book, findField, findLink } from '../../book'
import { type Json, typeWords } from '../../words'
import { aggregateNames, binaryOperators } from '../text/syntax'
import { type Holding, nodesOf, shapes, type Tree } from '../tree'

/** Deeper than any text can make it: 500 operators and 100 brackets, each with a cast beside it. */
const deepest = 1500

const isObject = (held: unknown): held is Readonly<Record<string, unknown>> =>
  typeof held === 'object' && held !== null && !Array.isArray(held)
const isText = (held: unknown) => typeof held === 'string'
const oneOf = (words: readonly string[]) => (held: unknown) => words.includes(held as string)
const all = (held: unknown, fits: (one: unknown) => boolean) => Array.isArray(held) && held.every(fits)

type Fits = (held: unknown, depth: number) => boolean

const fits: Record<Holding, Fits> = {
  text: isText,
  'text or null': (held) => held === null || isText(held),
  texts: (held) => all(held, isText),
  count: (held) => Number.isInteger(held),
  operator: oneOf(binaryOperators),
  unit: oneOf(dateUnits),
  aggregate: oneOf(aggregateNames),
  'true?': (held) => held === undefined || held === true,
  tree: isTree,
  'tree?': (held, depth) => held === undefined || isTree(held, depth),
  trees: (held, depth) => all(held, (one) => isTree(one, depth)),
  pairs: (held, depth) =>
    all(held, (pair) => Array.isArray(pair) && pair.length === 2 && pair.every((one) => isTree(one, depth))),
}

/** Whether something has a tree's shape; what it gives is worked out anew, so its type is known by no more than its name. */
function isTree(held: unknown, depth: number): held is Tree {
  if (!isObject(held) || depth > deepest || !isText(held.kind) || !Object.hasOwn(shapes, held.kind)) return false
  if (!isObject(held.type) || !Object.hasOwn(typeWords, held.type.is as string)) return false
  return Object.entries(shapes[held.kind as keyof typeof shapes]).every(([key, holding]) =>
    fits[holding](held[key], depth + 1),
  )
}

/** Whether everything that a tree names is in the book. */
const isThere = (book: Book, tree: Tree) =>
  nodesOf(tree).every((one) => {
    if (one.kind === 'aggregate') return findLink(book, one.link) !== undefined
    return one.kind !== 'fact' || [...one.over, one.field].every((id) => findField(book, id) !== undefined)
  })

/** A stored expression, if it is one and all it speaks of is still there; its types are those of when it was stored. */
export const storedTree = (book: Book, json: Json): Tree | undefined =>
  isTree(json, 0) && isThere(book, json) ? json : undefined

/** A tree as a book keeps it: plain JSON, without what is undefined. */
export const storeTree = (tree: Tree) => JSON.parse(JSON.stringify(tree)) as Json
