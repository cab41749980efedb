import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import { Area, Remark, Sheet } from '../book'
import { limits } from '../limits'
import { dropPart, putArea, putRemark, setKeys } from '../build-steps'
import { findTable } from '../find'
import { bookId } from '../steps'
import { type EditKind, Id, orNothing, readName, typedName } from './edit-kind'

const goneArea = fail({ kind: 'gone', what: 'area' })
const goneNote = fail({ kind: 'gone', what: 'note' })

/** Words for the map, without what no drawing can hold: control characters, but for new lines where there may be some. */
const tidied = (text: string, lines: boolean) =>
  text
    .normalize('NFC')
    .replace(lines ? /[^\P{Cc}\n]/gu : /\p{Cc}/gu, ' ')
    .trim()

function readRemark(typed: string): Result<string> {
  const text = tidied(typed, true)
  if (text === '') return fail({ kind: 'in-own-words', words: 'Write what the note says.' })
  return text.length > limits.remarkLength
    ? fail({ kind: 'in-own-words', words: `A note has at most ${limits.remarkLength} characters.` })
    : ok(text)
}

const AddArea = z.strictObject({ kind: z.literal('addArea'), ...Area.shape, name: typedName })

/** Puts a named ground behind some cards of the map. */
export const addArea: EditKind<z.infer<typeof AddArea>> = {
  schema: AddArea,
  steps(book, { kind: _kind, ...area }) {
    if (book.areas.length >= limits.areas) return fail({ kind: 'too-many', what: 'area', limit: limits.areas })
    const name = readName(area.name, 'area', book.areas)
    if (!name.ok) return name
    const tables = area.tables.filter((id) => findTable(book, id))
    return orNothing(tables.length === 0 ? [] : [putArea({ ...area, name: name.value, tables })])
  },
  say: (_book, { name }) => `Make the area ${name} on the map`,
}

const ChangeArea = z.strictObject({
  kind: z.literal('changeArea'),
  id: Id,
  name: typedName.optional(),
  tone: Area.shape.tone.optional(),
})

/** Another name or colour for an area. */
export const changeArea: EditKind<z.infer<typeof ChangeArea>> = {
  schema: ChangeArea,
  steps(book, { id, name: typed, tone }) {
    const area = book.areas.find((one) => one.id === id)
    if (!area) return goneArea
    const others = book.areas.filter((other) => other !== area)
    const name = readName(typed ?? area.name, 'area', others)
    return name.ok ? orNothing(setKeys(area, id, { name: name.value, tone: tone ?? area.tone })) : name
  },
  say: (book, { id }) => `Change the area ${book.areas.find((one) => one.id === id)?.name ?? ''} of the map`,
}

const RemoveArea = z.strictObject({ kind: z.literal('removeArea'), id: Id })

export const removeArea: EditKind<z.infer<typeof RemoveArea>> = {
  schema: RemoveArea,
  steps: (book, { id }) =>
    book.areas.some((one) => one.id === id) ? orNothing([dropPart(book, 'areas', id)]) : goneArea,
  say: (book, { id }) => `Remove the area ${book.areas.find((one) => one.id === id)?.name ?? ''} from the map`,
}

const remarkText = z.string().max(20 * limits.remarkLength)
const AddRemark = z.strictObject({ kind: z.literal('addRemark'), ...Remark.shape, text: remarkText })

/** Writes a note on the map. */
export const addRemark: EditKind<z.infer<typeof AddRemark>> = {
  schema: AddRemark,
  steps(book, { kind: _kind, ...remark }) {
    if (book.remarks.length >= limits.remarks) return fail({ kind: 'too-many', what: 'note', limit: limits.remarks })
    const text = readRemark(remark.text)
    return text.ok ? ok([putRemark({ ...remark, text: text.value })]) : text
  },
  say: () => 'Write a note on the map',
}

const ChangeRemark = z.strictObject({
  kind: z.literal('changeRemark'),
  ...Remark.partial().shape,
  id: Id,
  text: remarkText.optional(),
})

/** Other words for a note, or another place. */
export const changeRemark: EditKind<z.infer<typeof ChangeRemark>> = {
  schema: ChangeRemark,
  steps(book, { kind: _kind, id, ...to }) {
    const remark = book.remarks.find((one) => one.id === id)
    if (!remark) return goneNote
    const text = readRemark(to.text ?? remark.text)
    return text.ok ? orNothing(setKeys(remark, id, { ...to, text: text.value })) : text
  },
  say: (_book, { text }) => (text === undefined ? 'Move a note on the map' : 'Change a note on the map'),
}

const RemoveRemark = z.strictObject({ kind: z.literal('removeRemark'), id: Id })

export const removeRemark: EditKind<z.infer<typeof RemoveRemark>> = {
  schema: RemoveRemark,
  steps: (book, { id }) =>
    book.remarks.some((one) => one.id === id) ? orNothing([dropPart(book, 'remarks', id)]) : goneNote,
  say: () => 'Remove a note from the map',
}

const ChangeSheet = z.strictObject({ kind: z.literal('changeSheet'), sheet: Sheet })

/** What stands in the corner of the map's sheet, and what it is printed on. */
export const changeSheet: EditKind<z.infer<typeof ChangeSheet>> = {
  schema: ChangeSheet,
  steps(book, { sheet }) {
    const words = Object.entries(sheet).map(([key, typed]) => [key, tidied(typed, false)] as const)
    return orNothing(setKeys(book, bookId, { sheet: { ...book.sheet, ...Object.fromEntries(words) } }))
  },
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
