import { divideRounded, powerOfTen } from '../../kinds'
import type { Facts, Evaluator } from './facts'
import type { Computed } from './functions'
import type { Tree } from '../tree'

/** COUNT, SUM and the like over the rows that hang on a record; what is blank doesn't count. */
export function gather(tree: Extract<Tree, { kind: 'aggregate' }>, compile: (part: Tree) => Evaluator): Evaluator {
  const { name, link, type } = tree
  const where = tree.where && compile(tree.where)
  const of = tree.of && compile(tree.of)
  return (facts, now) => {
    const rows = facts.rows(link).filter((row: Facts) => !where || where(row, now) === true)
    if (!of) return BigInt(rows.length)
    const values = rows.map((row) => of(row, now)).filter((value) => value !== null)
    if (name === 'COUNT') return BigInt(values.length)
    if (values.length === 0) return null
    if (name === 'MIN' || name === 'MAX')
      return values.reduce((best, value) => ((name === 'MIN' ? value < best : value > best) ? value : best))
    const sum = total(values)
    if (name === 'SUM') return sum
    if (typeof sum !== 'bigint') return (sum as number) / values.length
    const scale = type.is === 'exact' ? type.scale : 0
    const own = tree.of.type.is === 'exact' ? tree.of.type.scale : 0
    return divideRounded(sum * powerOfTen(scale - own), BigInt(values.length))
  }
}

const total = (values: readonly Computed[]): Computed =>
  typeof values[0] === 'bigint'
    ? values.reduce<bigint>((sum, value) => sum + (value as bigint), 0n)
    : values.reduce<number>((sum, value) => sum + (value as number), 0)
