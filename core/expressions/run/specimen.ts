import { type Book, findField, findLink, linkOf, type Table, tableOf, fieldWith } from '../../book'
import { isDerived, kindOf, type Now, readValue, showValue, type Value } from '../../kinds'
import { derivedOf, displayOf } from '../derived/derived'
import { evaluate } from './evaluate'
import type { Facts } from './facts'
import { displayFor } from '../derived/display'
import { nodesOf, type Tree } from '../tree'

/** A made-up record of a table: each field as its control shows it, links that lead to such a one, two rows of each kind. */
const specimenFacts = (book: Book, table: Table, now: Now): Facts => ({
  value: (id) => specimenValue(book, id, specimenFacts(book, table, now), now),
  linked: (id) => specimenFacts(book, tableOf(book, linkOf(book, id).one), now),
  rows(id) {
    const link = findLink(book, id)
    const row = link && specimenFacts(book, tableOf(book, link.many), now)
    return row ? [row, row] : []
  },
})

function specimenValue(book: Book, id: string, facts: Facts, now: Now): Value {
  const field = findField(book, id)?.field
  if (!field) return null
  if (field.kind === 'link') return '1'
  if (isDerived(field)) {
    const made = derivedOf(book, id)
    return 'tree' in made ? evaluate(made.tree, facts, now) : null
  }
  const read = readValue(kindOf(field.kind).specimen(field), { ...field, must: false }, book.look)
  return read.ok ? read.value : null
}

/** What an expression gives, as people write it; nothing where it gives nothing. */
export function showComputed(book: Book, tree: Tree, value: Value): string {
  if (value === null) return ''
  const nameless = { id: '', name: '', kind: 'line' } as const
  return showValue(
    value,
    displayFor(book, nameless, tree, (id) => displayOf(book, fieldWith(book, id).field)),
    book.look,
  )
}

/** What an expression gives for the made-up record, and the facts of its own that it looked at. */
export interface Tried {
  readonly value: Value
  readonly shown: string
  readonly facts: readonly { readonly name: string; readonly shown: string }[]
}

export function tryOnSpecimen(book: Book, table: Table, tree: Tree, now: Now): Tried {
  const facts = specimenFacts(book, table, now)
  const value = evaluate(tree, facts, now)
  const read = new Map(
    nodesOf(tree).flatMap((node) => (node.kind === 'fact' && node.over.length === 0 ? [[node.field, node]] : [])),
  )
  const own = [...read].flatMap(([id, node]) => {
    const field = table.fields.find((one) => one.id === id)
    if (!field || field.kind === 'link') return []
    return [{ name: field.name, shown: showComputed(book, node, facts.value(id)) }]
  })
  return { value, shown: showComputed(book, tree, value), facts: own }
}
