import * as z from 'zod'
import { fail } from '../../words'
import { Area, limits, Remark, Sheet } from '../book'
import { dropPart, putArea, putRemark, setKeys } from '../build-steps'
import { findTable } from '../find'
import { bookId } from '../steps'
import { type EditKind, Id, orNothing } from './edit-kind'

const gone = fail({ kind: 'gone', what: 'note' })

const AddArea = z.strictObject({ kind: z.literal('addArea'), ...Area.shape })

/** Puts a named ground behind some cards of the map. */
export const addArea: EditKind<z.infer<typeof AddArea>> = {
  schema: AddArea,
  steps(book, { kind: _kind, ...area }) {
    if (book.areas.length >= limits.areas) return fail({ kind: 'too-many', what: 'note', limit: limits.areas })
    const tables = area.tables.filter((id) => findTable(book, id))
    return orNothing(tables.length === 0 ? [] : [putArea({ ...area, tables })])
  },
  say: (_book, { name }) => `Make the area ${name} on the map`,
}

const ChangeArea = z.strictObject({ kind: z.literal('changeArea'), ...Area.partial().shape, id: Id })

export const changeArea: EditKind<z.infer<typeof ChangeArea>> = {
  schema: ChangeArea,
  steps(book, { kind: _kind, id, ...to }) {
    const area = book.areas.find((one) => one.id === id)
    if (!area) return gone
    const { name, tone, tables } = { ...area, ...to }
    return orNothing(setKeys(area, id, { name, tone, tables: [...tables] }))
  },
  say: (book, { id }) => `Change the area ${book.areas.find((one) => one.id === id)?.name ?? ''} of the map`,
}

const RemoveArea = z.strictObject({ kind: z.literal('removeArea'), id: Id })

export const removeArea: EditKind<z.infer<typeof RemoveArea>> = {
  schema: RemoveArea,
  steps: (book, { id }) => (book.areas.some((one) => one.id === id) ? orNothing([dropPart(book, 'areas', id)]) : gone),
  say: (book, { id }) => `Remove the area ${book.areas.find((one) => one.id === id)?.name ?? ''} from the map`,
}

const AddRemark = z.strictObject({ kind: z.literal('addRemark'), ...Remark.shape })

/** Writes a note on the map. */
export const addRemark: EditKind<z.infer<typeof AddRemark>> = {
  schema: AddRemark,
  steps(book, { kind: _kind, ...remark }) {
    if (book.remarks.length >= limits.remarks) return fail({ kind: 'too-many', what: 'note', limit: limits.remarks })
    return orNothing([putRemark(remark)])
  },
  say: () => 'Write a note on the map',
}

const ChangeRemark = z.strictObject({ kind: z.literal('changeRemark'), ...Remark.partial().shape, id: Id })

export const changeRemark: EditKind<z.infer<typeof ChangeRemark>> = {
  schema: ChangeRemark,
  steps(book, { kind: _kind, id, ...to }) {
    const remark = book.remarks.find((one) => one.id === id)
    return remark ? orNothing(setKeys(remark, id, to)) : gone
  },
  say: (_book, { text }) => (text === undefined ? 'Move a note on the map' : 'Change a note on the map'),
}

const RemoveRemark = z.strictObject({ kind: z.literal('removeRemark'), id: Id })

export const removeRemark: EditKind<z.infer<typeof RemoveRemark>> = {
  schema: RemoveRemark,
  steps: (book, { id }) =>
    book.remarks.some((one) => one.id === id) ? orNothing([dropPart(book, 'remarks', id)]) : gone,
  say: () => 'Remove a note from the map',
}

const ChangeSheet = z.strictObject({ kind: z.literal('changeSheet'), sheet: Sheet })

/** What stands in the corner of the map's sheet, and what it is printed on. */
export const changeSheet: EditKind<z.infer<typeof ChangeSheet>> = {
  schema: ChangeSheet,
  steps: (book, { sheet }) => orNothing(setKeys(book, bookId, { sheet: { ...book.sheet, ...sheet } })),
  say: () => 'Change the map’s sheet',
}

const PinTables = z.strictObject({
  kind: z.literal('pinTables'),
  spots: z
    .array(z.strictObject({ table: Id, x: z.number(), y: z.number() }))
    .min(1)
    .max(300),
  pinned: z.boolean(),
})

/** Pins cards where they are, so that tidying leaves them there; or lets go of them. */
export const pinTables: EditKind<z.infer<typeof PinTables>> = {
  schema: PinTables,
  steps(book, { spots, pinned }) {
    return orNothing(
      spots.flatMap(({ table: id, x, y }) => {
        const table = findTable(book, id)
        const spot = { x: Math.round(x), y: Math.round(y), ...(pinned && { pinned: true as const }) }
        return table ? setKeys(table, id, { spot }) : []
      }),
    )
  },
  say: (book, { spots, pinned }) => {
    const name = findTable(book, spots[0]!.table)?.name ?? 'a table'
    const what = spots.length === 1 ? name : `${spots.length} tables`
    return pinned ? `Pin ${what} on the map` : `Unpin ${what} on the map`
  },
}
