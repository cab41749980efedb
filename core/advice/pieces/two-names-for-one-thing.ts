import type { BookPiece } from '../piece'

const groups = [
  'customer client buyer',
  'employee worker staff',
  'supplier vendor',
  'invoice bill',
  'pupil student learner',
  'product article',
  'teacher tutor instructor',
  'car vehicle',
  'firm company organisation organization',
  'doctor physician',
  'booking reservation',
  'photo picture',
]
// Words that mean one thing, each under the first of its group.
const meanings = new Map(groups.flatMap((group) => group.split(' ').map((word) => [word, group] as const)))
const mean = (lower: string) => meanings.get(lower) ?? lower

/** One letter more, less or other. */
function near(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1 || a === b || /\d/.test(a + b)) return false
  let at = 0
  while (at < a.length && a[at] === b[at]) at++
  return a.slice(at + 1) === b.slice(at + 1) || a.slice(at) === b.slice(at + 1) || a.slice(at + 1) === b.slice(at)
}

/** For each name the earlier one that may mean the same; asked again only when a name has changed. */
function twinsAmong(names: readonly string[]): ReadonlyMap<number, number> {
  const key = names.join('\n')
  if (last?.key === key) return last.twins
  const twins = new Map<number, number>()
  names.forEach((name, at) => {
    const twin = names.findIndex(
      (other, before) => before < at && (mean(name) === mean(other) || (other.length > 5 && near(name, other))),
    )
    if (twin >= 0) twins.set(at, twin)
  })
  last = { key, twins }
  return twins
}

let last: { readonly key: string; readonly twins: ReadonlyMap<number, number> } | undefined

/** Client and Customer: one thing under two names is looked for in the wrong place. */
export const twoNamesForOneThing: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find(book) {
    const tables = book.tables.filter((table) => table.role === undefined)
    return [...twinsAmong(tables.map((table) => table.name.toLowerCase()))].map(([at, before]) => {
      const [table, twin] = [tables[at]!, tables[before]!]
      return {
        about: table.id,
        head: `${twin.name} and ${table.name} may be the same`,
        text: 'Half the records would stand in each, and nobody would know where to look. If they are the same, merge them.',
        mends: [
          {
            say: `Merge ${table.name} into ${twin.name}`,
            edits: () => [{ kind: 'mergeTables', from: table.id, into: twin.id } as const],
          },
        ],
      }
    })
  },
}
