import { adviceOn } from '@/core/advice'
import { type Book, emptyBook, applyEdit } from '@/core/book'
import { type KindName, plainLook } from '@/core/kinds'

const tables = 300
const fieldsEach = 30

/** Advice on a book as large as a book may be: from scratch, and after one edit. */
export function benchAdvice(): void {
  const book = largeBook()
  const first = timed(() => adviceOn(book))
  // A change of one field: only its table is looked at anew, and what is about the whole book.
  const edits = Array.from({ length: 60 }, (_, at) => {
    const made = applyEdit(book, { kind: 'changeField', field: `f${at * 5}-3`, to: { name: `Changed ${at}` } })
    if (!made.ok) throw new Error(made.problem.kind)
    return made.value.book
  })
  const times = edits.map((edited) => timed(() => adviceOn(edited))).sort((a, b) => a - b)
  process.stdout.write(
    `advice on ${tables} tables, ${tables * fieldsEach} fields    from scratch ${first.toFixed(0)} ms (aim 300)   after an edit ${times[30]!.toFixed(1)} ms, at worst ${times.at(-1)!.toFixed(1)} ms (aim 16)\n`,
  )
}

function timed(work: () => unknown): number {
  const started = performance.now()
  work()
  return performance.now() - started
}

const kinds: readonly KindName[] = ['line', 'passage', 'whole', 'exact', 'money', 'date', 'tick', 'phone']
const names = [
  'Name',
  'Town',
  'Postcode',
  'Price',
  'Weight',
  'Due on',
  'Paid',
  'Note',
  'Quantity',
  'State',
  'Phone',
  'Height',
]

function largeBook(): Book {
  const base = emptyBook('Large', plainLook)
  const all = Array.from({ length: tables }, (_, at) => ({
    id: `t${at}`,
    name: `Table ${at}`,
    key: [`f${at}-0`],
    knownBy: [`f${at}-0`],
    fields: [
      { id: `f${at}-0`, name: 'Number', kind: 'running' as const },
      ...Array.from({ length: fieldsEach - 4 }, (_field, i) => ({
        id: `f${at}-${i + 1}`,
        name: `${names[(i * 5 + at) % names.length]!} ${i}`,
        kind: kinds[(i + at) % kinds.length]!,
      })),
      ...[1, 2, 3].map((link) => ({ id: `l${at}-${link}`, name: `Link ${link}`, kind: 'link' as const })),
    ],
  }))
  const links = all.flatMap((table, at) =>
    [1, 7, 31].map((step, i) => ({
      id: `k${at}-${i}`,
      one: `t${(at + step) % tables}`,
      many: table.id,
      field: `l${at}-${i + 1}`,
      least: 0 as const,
      onRemove: 'keep' as const,
    })),
  )
  return { ...base, tables: all, links }
}
