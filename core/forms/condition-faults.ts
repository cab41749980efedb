import { type Book, type Field, type FormGroup, type FormLines, type FormPart, type Form, tableOf } from '../book'
import { allNodesOf, type Tree } from '../expressions'
import { formLayout } from '../records'
import { rulesOutOfReach } from '../rules'
import { inSentence, type Problem } from '../words'
import { isWanted } from './left-out'
import { type ConditionFault, type PartCondition, partConditions, partsWithGroup } from './part-conditions'
import { partNameOf } from './part-names'

type Starts = NonNullable<Form['starts']>
type Fault = Omit<ConditionFault, 'part'>

/**
 * What is wrong with the conditions of a form's parts: such as can't be told, such as nothing can ever meet, and such
 * as would leave a person refused for what is out of sight, or can't be typed.
 */
export function conditionFaults(
  book: Book,
  {
    table,
    lines,
    starts = {},
  }: { readonly table: string; readonly lines: FormLines; readonly starts?: Starts | undefined },
): readonly ConditionFault[] {
  const { told, faults } = partConditions(book, table, lines)
  if (told.length === 0) return faults
  const at: At = { book, tableId: table, told, starts }
  return [
    ...faults,
    ...told.flatMap((one) => ofItself(at, one)),
    ...circles(at),
    ...partsWithGroup(lines).flatMap(({ part, group }) =>
      outOfReach(at, part, group).map((fault) => ({ ...fault, part })),
    ),
  ]
}

interface At {
  readonly book: Book
  readonly tableId: string
  readonly told: readonly PartCondition[]
  readonly starts: Starts
}

/** The fields of the record itself that a condition asks for, those that they are made from included; and links of rows. */
const asksFor = (book: Book, tree: Tree): ReadonlySet<string> =>
  new Set(
    allNodesOf(book, tree).flatMap((node) =>
      node.kind === 'fact' ? (node.over[0] ?? node.field) : node.kind === 'aggregate' ? node.link : [],
    ),
  )

const withIn = (part: FormPart) => (part.kind === 'group' ? part.lines.flat() : [part])

function ofItself({ book, tableId }: At, { part, asks, tree }: PartCondition): ConditionFault[] {
  if (!tree) return []
  const asked = asksFor(book, tree)
  const itself = withIn(part).find(({ id }) => asked.has(id))
  if (!itself) return []
  return [{ part, asks, problem: { kind: 'condition-of-itself', part: partNameOf(book, tableId, itself) } }]
}

/** Parts that show only because of each other. */
function circles({ book, tableId, told }: At): ConditionFault[] {
  const shown = told.flatMap(({ part, asks, tree }) =>
    asks === 'shows' && tree ? [{ part, asked: asksFor(book, tree), ids: withIn(part).map(({ id }) => id) }] : [],
  )
  type Shown = (typeof shown)[number]
  const reached = (from: Shown, seen = new Set<Shown>()): ReadonlySet<Shown> => {
    for (const other of shown) {
      if (seen.has(other) || !other.ids.some((id) => from.asked.has(id))) continue
      seen.add(other)
      reached(other, seen)
    }
    return seen
  }
  const first = shown.find((one) => reached(one).has(one))
  if (!first) return []
  const around = shown.filter((one) => reached(first).has(one) && reached(one).has(first))
  // One that asks for itself is told so.
  if (around.length === 1) return []
  const parts = around.map(({ part }) => partNameOf(book, tableId, part))
  return [{ part: first.part, asks: 'shows', problem: { kind: 'condition-circle', parts } }]
}

/** What a person would be refused for without seeing it, or being able to type it. */
function outOfReach(at: At, part: FormPart, group: FormGroup | undefined): Fault[] {
  const { book, tableId, told } = at
  const own = told.filter((one) => one.part.id === part.id || one.part.id === group?.id)
  const [hides, closes] = [own.filter(({ asks }) => asks === 'shows'), own.filter(({ asks }) => asks === 'onlyRead')]
  if (hides.length === 0 && closes.length === 0) return []
  const noun = inSentence(tableOf(book, tableId).name)
  const named = { part: partNameOf(book, tableId, part), noun }
  if (part.kind === 'rows') {
    const must = formLayout(book, tableId).insets.find(({ link }) => link.id === part.id)?.link.least === 1
    return must ? musts(named, hides, closes) : []
  }
  const field = part.kind === 'field' ? tableOf(book, tableId).fields.find(({ id }) => id === part.id) : undefined
  if (!field) return []
  const asked = own.some(({ asks }) => asks === 'must')
  if (isWanted(tableOf(book, tableId), field) && !at.starts[field.id]?.trim()) return musts(named, hides, closes)
  return asked && isAlways(closes).length > 0
    ? musts(named, [], closes)
    : refusals(at, { field, part: named.part, hides, closes })
}

type Named = { readonly part: string; readonly noun: string }
type Told = readonly PartCondition[]

const musts = (named: Named, hides: Told, closes: Told): Fault[] => [
  ...hides.slice(0, 1).map((): Fault => ({ asks: 'shows', problem: { kind: 'condition-hides-must', ...named } })),
  // While it is blank, only what is always only read can't be typed.
  ...isAlways(closes).map((): Fault => ({ asks: 'onlyRead', problem: { kind: 'condition-closes-must', ...named } })),
]

const isAlways = (some: Told): Told => some.filter(({ tree }) => !tree).slice(0, 1)

interface Reach {
  readonly field: Field
  readonly part: string
  readonly hides: Told
  readonly closes: Told
}

function refusals({ book, tableId, starts }: At, { field, part, hides, closes }: Reach): Fault[] {
  const table = tableOf(book, tableId)
  const typed = starts[field.id]?.trim()
  const begins: Field = typed === undefined ? field : { ...field, startsAs: typed }
  const trees = (some: Told) => some.flatMap(({ tree }) => tree ?? [])
  const rules = (some: Told, so: boolean) =>
    some.length === 0 ? [] : rulesOutOfReach(book, table, begins, { when: trees(some), so })
  const fault = (asks: Fault['asks'], kind: 'condition-hides-rule' | 'condition-closes-rule') => (words: string) => ({
    asks,
    problem: { kind, part, rule: words } satisfies Problem,
  })
  const said = (some: ReturnType<typeof rules>) => some.slice(0, 1).map(({ words }) => words)
  return [
    ...said(rules(hides, false)).map(fault('shows', 'condition-hides-rule')),
    ...said(rules(closes, true)).map(fault('onlyRead', 'condition-closes-rule')),
  ]
}
