import { type Book, type Figure, type Group, type Place, type Table, type Way } from '../../book'
import { displayOf } from '../../expressions'
import { inSentence, plural } from '../../words'
import { fieldAt } from '../check/field-at'
import { factTree } from '../check/fact-tree'
import { stepsFor } from '../check/read-groups'
import type { ReadColumn } from '../check/read-list'
import { sayFigure } from '../groups/measure'
import { sayDirection } from '../say/say-list'
import { furtherFrom } from '../ways/say-way'
import { isSeveral } from '../ways/walk'

/** A field that a list can be grouped by. */
interface Groupable {
  readonly place: Place
  /** Whose it is: "Visit", "its Premises". */
  readonly of: string
  readonly words: string
}

/** How far from the list's records one groups, in stretches of a way. */
const furthest = 3

/** All that a list can be grouped by: fields of its records, and of the single ones that they lead to. */
export function groupablesOf(book: Book, table: Table): Groupable[] {
  const found: Groupable[] = []
  const walk = (way: Way, end: Table, of: string, depth: number, names: readonly string[]) => {
    for (const field of end.fields)
      if (field.kind === 'link' || (field.kind !== 'file' && factTree(book, field)))
        found.push({ place: { way, field: field.id }, of, words: field.name })
    if (depth === furthest) return
    for (const { hops, to, words } of furtherFrom(book, table.id, way)) {
      const next = [...way, ...hops]
      const called = [...names, words]
      if (!isSeveral(book, next)) walk(next, to, `its ${called.join(' → ')}`, depth + 1, called)
    }
  }
  walk([], table, table.name, 0, [])
  return found
}

const unitWords = {
  day: 'a group for each day',
  week: 'a group for each week',
  month: 'a group for each month',
  quarter: 'a group for each quarter',
  year: 'a group for each year',
  letter: 'by the first letter',
} as const

export type StepChoice = keyof typeof unitWords | 'each' | 'every'

/** How the values of a field can be put together, the likeliest first. */
export function stepChoices(book: Book, table: Table, place: Place): readonly (readonly [StepChoice, string])[] {
  const found = fieldAt(book, table, place)
  if ('problem' in found) return []
  const steps = stepsFor(factTree(book, found.field)?.type)
  const units = steps.flatMap((step) => (step === 'every' ? [] : [[step, unitWords[step]] as const]))
  const each = ['each', 'a group for each value'] as const
  if (steps.includes('month')) return [...units.slice(2), units[1]!, units[0]!]
  return [each, ...units, ...(steps.includes('every') ? [['every', 'in steps of …'] as const] : [])]
}

/** A group as it is chosen first: days by the month, anything else one by one. */
export function firstGroup(book: Book, table: Table, place: Place): Group {
  const [first] = stepChoices(book, table, place)
  return first && first[0] === 'month' ? { place, step: 'month' } : { place }
}

type GroupOrder = Pick<Group, 'by' | 'down'>

/** In which order groups can stand, in words. */
export function groupOrders(
  book: Book,
  table: Table,
  place: Place,
  figures: readonly Figure[],
  columns: readonly ReadColumn[],
): readonly (readonly [GroupOrder, string])[] {
  const found = fieldAt(book, table, place)
  if ('problem' in found) return []
  const face = displayOf(book, found.field)
  const noun = plural(inSentence(table.name))
  const own =
    (face.choices ?? []).length > 0
      ? ([
          [{}, 'in the order of its words'],
          [{ down: true }, 'in that order, turned round'],
        ] as const)
      : ([
          [{}, sayDirection({ face }, false)],
          [{ down: true }, sayDirection({ face }, true)],
        ] as const)
  const size = { size: true } as const
  return [
    ...own,
    [{ by: size, down: true }, `most ${noun} first`],
    [{ by: size }, `fewest ${noun} first`],
    ...figures.flatMap(({ column: id, name }): (readonly [GroupOrder, string])[] => {
      const column = columns.find((one) => one.id === id)
      if (!column) return []
      const words = sayFigure(column, name)
      return [
        [{ by: { column: id }, down: true }, `highest first: ${words}`],
        [{ by: { column: id } }, `lowest first: ${words}`],
      ]
    }),
  ]
}
