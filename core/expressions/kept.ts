import type { Book, Table } from '../book'
import type { Json } from '../words'
import { type Checked, readExpression } from './check'
import { showExpression } from './show'
import type { Tree } from './tree'

const deepest = 120

type Shape = Readonly<Record<string, 'tree' | 'trees' | 'pairs' | 'text' | 'texts' | 'maybe tree'>>

/** What each kind of node is made of. */
const shapes: Readonly<Record<string, Shape>> = {
  literal: {},
  fact: { over: 'texts', field: 'text' },
  not: { of: 'tree' },
  minus: { of: 'tree' },
  binary: { operator: 'text', left: 'tree', right: 'tree' },
  shift: { of: 'tree', unit: 'text' },
  days: { left: 'tree', right: 'tree' },
  in: { of: 'tree', among: 'trees' },
  like: { of: 'tree', pattern: 'tree', escape: 'text' },
  isNull: { of: 'tree' },
  case: { whens: 'pairs', other: 'maybe tree' },
  call: { name: 'text', args: 'trees' },
  cast: { of: 'tree' },
  aggregate: { name: 'text', link: 'text', of: 'maybe tree', where: 'maybe tree' },
}

function isTree(json: Json | undefined, depth = 0): boolean {
  if (typeof json !== 'object' || json === null || Array.isArray(json) || depth > deepest) return false
  const node = json as { readonly [key: string]: Json }
  const shape =
    typeof node['kind'] === 'string' && Object.hasOwn(shapes, node['kind']) ? shapes[node['kind']] : undefined
  const type = node['type']
  if (!shape || typeof type !== 'object' || type === null) return false
  return Object.entries(shape).every(([key, wanted]) => {
    const part = node[key]
    const list = Array.isArray(part) ? (part as readonly Json[]) : undefined
    switch (wanted) {
      case 'text':
        return typeof part === 'string'
      case 'texts':
        return list?.every((one) => typeof one === 'string') ?? false
      case 'trees':
        return list?.every((one) => isTree(one, depth + 1)) ?? false
      case 'pairs':
        return (
          list?.every(
            (one) => Array.isArray(one) && one.length === 2 && one.every((half) => isTree(half as Json, depth + 1)),
          ) ?? false
        )
      case 'maybe tree':
        return part === undefined || isTree(part, depth + 1)
      case 'tree':
        return isTree(part, depth + 1)
    }
  })
}

/**
 * A kept expression as it reads with today's names, and checked anew: what it speaks of may have gone or may
 * hold something else by now.
 */
export function readKept(book: Book, table: Table, json: Json): Checked & { readonly source: string } {
  const broken = {
    problem: { start: 0, end: 0, words: 'It speaks of what is no longer there. Write it anew.' },
    source: '',
  }
  if (!isTree(json)) return broken
  try {
    const source = showExpression(book, json as unknown as Tree)
    return { ...readExpression(book, table, source), source }
  } catch {
    // A field, a table or a link that it names is gone.
    return broken
  }
}
