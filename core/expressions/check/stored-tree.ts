import { dateUnits, mostDigits, mostScale } from '../../kinds'
import { type Book, findField, findLink } from '../../book'
import { type Json, typeWords } from '../../words'
import { aggregateNames, binaryOperators } from '../text/syntax'
import { type Holding, nodesOf, shapes, type Tree } from '../tree'

/** Deeper than any text can make it: 500 operators and 100 brackets, each with a cast beside it. */
const deepest = 1500
/** More nodes than any text of 20,000 characters makes. */
const mostNodes = 5000
/** An interval counts up to so many units, as it may be written. */
const mostUnits = 999_999

type Fits = (held: unknown) => boolean

const isObject = (held: unknown): held is Readonly<Record<string, unknown>> =>
  typeof held === 'object' && held !== null && !Array.isArray(held)
const isText: Fits = (held) => typeof held === 'string'
const isWhole = (least: number, most: number) => (held: unknown) =>
  Number.isInteger(held) && (held as number) >= least && (held as number) <= most
const oneOf = (words: readonly string[]) => (held: unknown) => words.includes(held as string)
const all = (held: unknown, fits: Fits, least = 0) => Array.isArray(held) && held.length >= least && held.every(fits)

/** What it gives is worked out anew; but what a cast was to is written as it is stored. */
const isType: Fits = (held) =>
  isObject(held) &&
  Object.hasOwn(typeWords, held.is as string) &&
  (held.is !== 'exact' || (isWhole(0, mostDigits)(held.whole) && isWhole(0, mostScale)(held.scale)))

/**
 * Whether something has a tree's shape. It may come from anybody who may design: nothing that goes into a statement
 * as it stands is taken unlooked at, and nothing that no text could say.
 */
function isTree(json: unknown): json is Tree {
  let nodes = 0
  const fits: Record<Holding, (held: unknown, depth: number) => boolean> = {
    text: isText,
    'text or null': (held) => held === null || isText(held),
    texts: (held) => all(held, isText),
    letter: (held) => isText(held) && [...(held as string)].length <= 1,
    count: isWhole(-mostUnits, mostUnits),
    operator: oneOf(binaryOperators),
    unit: oneOf(dateUnits),
    aggregate: oneOf(aggregateNames),
    'true?': (held) => held === undefined || held === true,
    tree: isNode,
    'tree?': (held, depth) => held === undefined || isNode(held, depth),
    trees: (held, depth) => all(held, (one) => isNode(one, depth)),
    'some trees': (held, depth) => all(held, (one) => isNode(one, depth), 1),
    pairs: (held, depth) =>
      all(held, (pair) => all(pair, (one) => isNode(one, depth), 2) && (pair as unknown[]).length === 2, 1),
  }
  function isNode(held: unknown, depth: number): boolean {
    if (!isObject(held) || depth > deepest || ++nodes > mostNodes) return false
    if (!isText(held.kind) || !Object.hasOwn(shapes, held.kind as string) || !isType(held.type)) return false
    return Object.entries(shapes[held.kind as keyof typeof shapes]).every(([key, holding]) =>
      fits[holding](held[key], depth + 1),
    )
  }
  return isNode(json, 0)
}

/** Whether everything that a tree names is in the book. */
const isThere = (book: Book, tree: Tree) =>
  nodesOf(tree).every((one) => {
    if (one.kind === 'aggregate') return findLink(book, one.link) !== undefined
    return one.kind !== 'fact' || [...one.over, one.field].every((id) => findField(book, id) !== undefined)
  })

/** A stored expression, if it is one and all it speaks of is still there; its types are those of when it was stored. */
export const storedTree = (book: Book, json: Json): Tree | undefined =>
  isTree(json) && isThere(book, json) ? json : undefined

/** A tree as a book keeps it: plain JSON, without what is undefined. */
export const storeTree = (tree: Tree) => JSON.parse(JSON.stringify(tree)) as Json
