import { type Book, type Field, findField, mustHold, type Table } from '../../book'
import { nodesOf, type Tree } from '../../expressions'
import { counted, keyOf } from './amounts'
import type { Known } from './possible'

export type KnownOf = (fact: string) => Known

/** What kinds and bounds say of the facts that conditions speak of. */
export function knownOf(book: Book, table: Table, trees: readonly Tree[]): KnownOf {
  const known = new Map<string, Known>()
  for (const tree of trees)
    for (const node of nodesOf(tree)) {
      if (node.kind === 'aggregate')
        known.set(keyOf(node), { must: node.name === 'COUNT', ...(node.name === 'COUNT' && { least: 0n }) })
      const own = node.kind === 'fact' && node.over.length === 0 ? findField(book, node.field)?.field : undefined
      if (own) known.set(keyOf(node), ofField(table, own, node))
    }
  return (fact) => known.get(fact) ?? { must: false }
}

function ofField(table: Table, field: Field, { type }: Tree): Known {
  const must = field.kind === 'tick' || mustHold(table, field)
  if (field.kind === 'mark')
    return { must, least: counted('1', 'exact'), most: counted(String(field.scale ?? 5), 'exact') }
  if (field.kind === 'choice')
    return { must, words: (field.choices ?? []).map(({ word }) => word.trimEnd().toLowerCase()) }
  if (field.kind === 'tick') return { must, words: ['0', '1'] }
  return {
    must,
    ...(field.least !== undefined && { least: counted(field.least, type.is) }),
    ...(field.most !== undefined && { most: counted(field.most, type.is) }),
  }
}
