import { type Book, type FormGroup, type FormLines, type FormPart, tableOf } from '../book'
import { nodesOf, recheckStored, type Tree } from '../expressions'
import { formLayout } from '../records'
import type { Json, Problem } from '../words'

/** What a form asks of a part by a condition. */
export const askings = ['shows', 'must', 'onlyRead'] as const
export type Asking = (typeof askings)[number]

/** When a part shows, must be filled or is only read. */
export interface PartCondition {
  readonly part: FormPart
  /** The group that the part is in. */
  readonly group?: FormGroup
  readonly asks: Asking
  /** Missing where it is always so. */
  readonly tree?: Tree
}

/** One that can't be told on the form, and why. */
export interface ConditionFault {
  readonly part: FormPart
  readonly asks: Asking
  readonly problem: Problem
}

export interface PartConditions {
  readonly told: readonly PartCondition[]
  /** Those that can't be told; nothing is asked by them. */
  readonly faults: readonly ConditionFault[]
}

/** What a part says of itself in conditions, as it is kept. */
export const askedOf = (part: FormPart, asks: Asking): Json | undefined =>
  asks in part ? (part as Readonly<Partial<Record<Asking, Json>>>)[asks] : undefined

interface Grouped {
  readonly part: FormPart
  readonly group?: FormGroup
}

/** A form's parts, each with the group that it is in. */
export const partsWithGroup = (lines: FormLines): readonly Grouped[] =>
  lines
    .flat()
    .flatMap((part): Grouped[] => [
      { part },
      ...(part.kind === 'group' ? part.lines.flat().map((within) => ({ part: within, group: part })) : []),
    ])

/** The conditions of a form's parts with their names looked up. */
export function partConditions(book: Book, tableId: string, lines: FormLines): PartConditions {
  const told: PartCondition[] = []
  const faults: ConditionFault[] = []
  for (const { part, group } of partsWithGroup(lines))
    for (const asks of askings) {
      const kept = askedOf(part, asks)
      if (kept === undefined) continue
      const at = { part, ...(group && { group }), asks }
      const read = kept === true ? { tree: undefined } : readCondition(book, tableId, kept)
      if ('problem' in read) faults.push({ part, asks, problem: read.problem })
      else told.push({ ...at, ...(read.tree && { tree: read.tree }) })
    }
  return { told, faults }
}

function readCondition(
  book: Book,
  tableId: string,
  kept: Json,
): { readonly tree: Tree } | { readonly problem: Problem } {
  const read = recheckStored(book, tableOf(book, tableId), kept)
  if ('problem' in read) return { problem: read.problem }
  const problem = conditionHindrance(book, tableId, read.tree)
  return problem ? { problem } : { tree: read.tree }
}

/** Why an expression can't be a condition on a form. */
function conditionHindrance(book: Book, tableId: string, tree: Tree): Problem | undefined {
  if (tree.type.is !== 'truth') return { kind: 'condition-no-truth' }
  const inset = formLayout(book, tableId).insets.map(({ link }) => link.id)
  // Rows that the form has no place for aren't known in it.
  return nodesOf(tree).some((node) => node.kind === 'aggregate' && !inset.includes(node.link))
    ? { kind: 'condition-of-rows-elsewhere' }
    : undefined
}
