import type { Book, Field } from '../../book'
import { nodesOf, type Tree } from '../tree'

type DisplayOf = (id: string) => Field

/**
 * The field a derived one looks like: the very fact where it is one, otherwise a field of the kind that
 * holds what the expression gives. Amounts stay amounts through sums, differences and rates.
 */
export function displayFor(book: Book, field: Field, tree: Tree, displayOf: DisplayOf): Field {
  const own = { id: field.id, name: field.name, ...(field.note && { note: field.note }) }
  if (tree.kind === 'fact') {
    const { must, unique, least, most, startsAs, refusal, example, source, freezes, liveName, ...display } = displayOf(
      tree.field,
    )
    void [must, unique, least, most, startsAs, refusal, example, source, freezes, liveName]
    return { ...display, ...own }
  }
  const unit = field.unit ?? unitOf(tree, displayOf)
  const measure = unit ? { unit } : {}
  const { type } = tree
  switch (type.is) {
    case 'exact':
      if (type.scale === book.look.currencyDecimals && isMoney(tree, displayOf)) return { ...own, kind: 'money' }
      return type.scale === 0
        ? { ...own, kind: 'whole', ...measure }
        : { ...own, kind: 'exact', digits: type.whole, decimals: type.scale, ...measure }
    case 'measured':
      return { ...own, kind: 'measured', ...measure }
    case 'date':
      return { ...own, kind: 'date' }
    case 'time':
      return { ...own, kind: 'time' }
    case 'moment':
      return { ...own, kind: 'dateTime' }
    case 'truth':
      return { ...own, kind: 'tick' }
    default:
      return { ...own, kind: 'line', length: 200 }
  }
}

/** Whether an expression gives an amount of money. */
function isMoney(tree: Tree, displayOf: DisplayOf): boolean {
  switch (tree.kind) {
    case 'fact':
      return displayOf(tree.field).kind === 'money'
    case 'minus':
    case 'cast':
      return isMoney(tree.of, displayOf)
    case 'aggregate':
      return tree.name !== 'COUNT' && tree.of !== undefined && isMoney(tree.of, displayOf)
    case 'case':
      return (
        tree.whens.some(([, value]) => isMoney(value, displayOf)) ||
        (tree.other ? isMoney(tree.other, displayOf) : false)
      )
    case 'call':
      return (
        ['COALESCE', 'NULLIF', 'ROUND', 'ABS', 'CEILING', 'FLOOR', 'MOD'].includes(tree.name) &&
        tree.args.some((arg) => isMoney(arg, displayOf))
      )
    case 'binary': {
      const [left, right] = [isMoney(tree.left, displayOf), isMoney(tree.right, displayOf)]
      if (tree.operator === '*') return left !== right
      return tree.operator === '/' ? left && !right : left || right
    }
    default:
      return false
  }
}

/** The unit that all facts of a sum share; a rate or a product has none of its own. */
function unitOf(tree: Tree, displayOf: DisplayOf): string | undefined {
  const nodes = nodesOf(tree)
  if (nodes.some((node) => node.kind === 'binary' && ['*', '/'].includes(node.operator))) return undefined
  if (tree.kind === 'aggregate' && tree.name === 'COUNT') return undefined
  const units = new Set(nodes.flatMap((node) => (node.kind === 'fact' ? [displayOf(node.field).unit] : [])))
  return units.size === 1 ? [...units][0] : undefined
}
