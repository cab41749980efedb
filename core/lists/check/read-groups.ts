import { type Figure, type Group, type List, type Measure, type Table } from '../../book'
import { displayOf, type Type } from '../../expressions'
import type { Problem } from '../../words'
import { isSeveral } from '../ways/walk'
import { sayEnd, sayPlace } from '../ways/say-way'
import { isTimed } from './comparisons'
import { factTree } from './fact-tree'
import { gatheredFace, sayGathering } from './gathered-face'
import { fieldAt } from './field-at'
import type { Gathering, ReadColumn, ReadFigure, ReadGroup, Reading, ReadMeasure, ReadShown } from './read-list'

type Or<T> = T | { readonly problem: Problem }

/** Reads what a list is grouped by; what is wrong with one is noted, and it is left out. */
export function readGroups(reading: Reading, table: Table, figures: readonly ReadFigure[]): ReadGroup[] {
  return (reading.list.groups ?? []).flatMap((group, at) => {
    const read = readGroup(reading, table, group, figures)
    if (!('problem' in read)) return read
    reading.faults.push({ at: { part: 'group', at }, problem: read.problem })
    return []
  })
}

export function readGroup(
  { book }: Pick<Reading, 'book'>,
  table: Table,
  { place, step, by, down, first }: Group,
  figures: readonly ReadFigure[],
): Or<ReadGroup> {
  const { way } = place
  const found = fieldAt(book, table, place)
  if ('problem' in found) return found
  const { end, field } = found
  if (isSeveral(book, way)) return { problem: { kind: 'list-groups-several', what: sayEnd(book, table.id, way, true) } }
  const face = displayOf(book, field)
  const type = factTree(book, field)?.type
  if (field.kind !== 'link' && (!type || field.kind === 'file'))
    return { problem: { kind: 'list-cannot-group', field: field.name } }
  if (!fitsStep(step, type)) return { problem: { kind: 'list-cannot-step', field: field.name } }
  const column = by && 'column' in by ? by.column : undefined
  if (column !== undefined && !figures.some((one) => one.column.id === column))
    return { problem: { kind: 'list-group-order-gone' } }
  const words = sayPlace(book, table.id, place)
  const ordered = { first, down: down === true, by: column ?? (by && 'size' in by ? by : undefined) }
  return { heading: field.name, words, way, table: end, field, face, step, ...ordered }
}

const fitsStep = (step: Group['step'], type: Type | undefined) =>
  step === undefined || stepsFor(type).includes(typeof step === 'string' ? step : 'every')

type StepName = Extract<Group['step'], string> | 'every'

/** How values of a type can be put together other than one by one. */
export function stepsFor(type: Type | undefined): readonly StepName[] {
  switch (type?.is) {
    case 'date':
    case 'moment':
      return ['day', 'week', 'month', 'quarter', 'year']
    case 'text':
      return ['letter']
    case 'exact':
    case 'measured':
      return ['every']
    default:
      return []
  }
}

/** Reads what stands beneath columns. */
export function readFigures(reading: Reading, table: Table, columns: readonly ReadColumn[]): ReadFigure[] {
  const taken = new Set<string>()
  return (reading.list.figures ?? []).flatMap((figure, at) => {
    const column = columns.find(({ id }) => id === figure.column)
    // A column that is wrong itself has said so already.
    if (!column && reading.list.columns.some(({ id }) => id === figure.column)) return []
    const read = readFigure(reading, table, figure, taken.has(figure.column) ? undefined : column)
    taken.add(figure.column)
    if (!('problem' in read)) return read
    reading.faults.push({ at: { part: 'figure', at }, problem: read.problem })
    return []
  })
}

function readFigure(
  { book }: Pick<Reading, 'book'>,
  table: Table,
  { name }: Figure,
  column: ReadColumn | undefined,
): Or<ReadFigure> {
  if (!column) return { problem: { kind: 'list-figure-gone' } }
  if (column.kind === 'gathered') {
    const { name: own, way, end, field, where, face } = column
    if (name && name !== own) return { problem: cannot(column, name) }
    return { column, name: own, way, end, of: field, where, face }
  }
  if (!name) return { problem: { kind: 'list-figure-gone' } }
  if (column.kind === 'along') return { problem: cannot(column, name) }
  const type = column.kind === 'calculated' ? column.tree.type : factTree(book, column.field)?.type
  const face = gatheredFace(column.id, name, column.face, type)
  if (!face) return { problem: cannot(column, name) }
  return column.kind === 'calculated'
    ? { column, name, way: [], end: table, of: column.tree, where: undefined, face }
    : { column, name, way: column.way, end: column.table, of: column.field, where: undefined, face }
}

const cannot = ({ heading }: ReadColumn, name: Gathering): Problem => ({
  kind: 'list-cannot-gather',
  field: heading,
  name: sayGathering(name),
})

/** Whether what is told of a group is a number, and no day. */
export const isNumber = (of: ReadMeasure): boolean => of === 'size' || !isTimed(of.face.kind)

/** Reads how groups are shown; crossed there must be two of them, and what is told of each must stand beneath a column. */
export function readShown({ list, faults }: Reading, figures: readonly ReadFigure[]): ReadShown | undefined {
  const { shown } = list
  if (!shown) return undefined
  const fault = (problem: Problem) => void faults.push({ at: { part: 'shown' }, problem })
  // A group that is wrong itself has said so already.
  if ((list.groups?.length ?? 0) < (shown.as === 'crossed' ? 2 : 1)) {
    fault(shown.as === 'crossed' ? { kind: 'list-crossed-needs-two' } : { kind: 'list-chart-needs-groups' })
    return undefined
  }
  const found = (wished: Measure): ReadMeasure | undefined =>
    'size' in wished ? 'size' : figures.find(({ column }) => column.id === wished.column)
  const of = found(shown.of)
  if (shown.as === 'chart' && shown.chart === 'scatter') {
    const against = shown.against && found(shown.against)
    if (of && against && [of, against].every(isNumber)) return { of, chart: 'scatter', against }
    fault({ kind: 'list-scatter-needs-two' })
    return undefined
  }
  if (of) return { of, chart: shown.as === 'chart' ? shown.chart : undefined }
  fault({ kind: 'list-shown-gone' })
  return undefined
}

/** What can stand beneath a column, the likeliest first. */
export function figuresFor(reading: Pick<Reading, 'book'>, table: Table, column: ReadColumn): Figure[] {
  if (column.kind === 'gathered') return [{ column: column.id }]
  const names = ['total', 'average', 'least', 'greatest', 'different'] as const
  return names.flatMap((name) => {
    const figure = { column: column.id, name }
    return 'problem' in readFigure(reading, table, figure, column) ? [] : [figure]
  })
}

/** What is put beneath columns unless somebody says otherwise: amounts are added up, what is gathered is gathered. */
export const usualFigures = (columns: readonly ReadColumn[]): NonNullable<List['figures']> =>
  columns.flatMap((column): Figure[] => {
    if (column.kind === 'gathered') return [{ column: column.id }]
    return column.face.kind === 'money' && column.kind !== 'along' ? [{ column: column.id, name: 'total' }] : []
  })
