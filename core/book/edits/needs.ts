import * as z from 'zod'
import { counted, fail, ok } from '../../words'
import { limits } from '../limits'
import { dropPart, movePart, putNeed, setKeys } from '../build-steps'
import { findField, findLink, findNeed, findRule, findTable, partName } from '../find'
import { type EditKind, Id, inTurn, orNothing } from './edit-kind'

const clip = (text: string) => (text.length > 50 ? `${text.slice(0, 49)}…` : text)

const AddNeeds = z.strictObject({
  kind: z.literal('addNeeds'),
  needs: z
    .array(z.strictObject({ id: Id, text: z.string().max(20_000) }))
    .min(1)
    .max(500),
})

/** Writes down one need or several pasted lines at once. */
export const addNeeds: EditKind<z.infer<typeof AddNeeds>> = {
  schema: AddNeeds,
  steps(book, { needs }) {
    const written = needs.map(({ id, text }) => ({ id, text: text.trim(), metBy: [] })).filter((need) => need.text)
    if (written.length === 0) return fail({ kind: 'name-blank', what: 'need' })
    const long = written.find((need) => need.text.length > limits.needLength)
    if (long) return fail({ kind: 'too-long', limit: limits.needLength, length: long.text.length })
    if (book.needs.length + written.length > limits.needs) {
      return fail({ kind: 'too-many', what: 'need', limit: limits.needs })
    }
    return ok(written.map((need) => putNeed(need)))
  },
  say: (_book, { needs }) =>
    needs.length === 1 ? `Write “${clip(needs[0]!.text)}”` : `Write ${counted(needs.length, 'need')}`,
}

const ChangeNeed = z.strictObject({ kind: z.literal('changeNeed'), need: Id, text: z.string().max(20_000) })

export const changeNeed: EditKind<z.infer<typeof ChangeNeed>> = {
  schema: ChangeNeed,
  steps(book, { need: id, text }) {
    const need = findNeed(book, id)
    if (!need) return fail({ kind: 'gone', what: 'need' })
    if (!text.trim()) return fail({ kind: 'name-blank', what: 'need' })
    if (text.trim().length > limits.needLength) {
      return fail({ kind: 'too-long', limit: limits.needLength, length: text.trim().length })
    }
    return orNothing(setKeys(need, id, { text: text.trim() }))
  },
  say: (_book, { text }) => `Reword a need to “${clip(text)}”`,
}

const RemoveNeed = z.strictObject({ kind: z.literal('removeNeed'), need: Id })

export const removeNeed: EditKind<z.infer<typeof RemoveNeed>> = {
  schema: RemoveNeed,
  steps: (book, { need }) =>
    findNeed(book, need) ? ok([dropPart(book, 'needs', need)]) : fail({ kind: 'gone', what: 'need' }),
  say: (book, { need }) => `Remove the need “${clip(findNeed(book, need)?.text ?? '')}”`,
}

const MoveNeed = z.strictObject({ kind: z.literal('moveNeed'), need: Id, before: Id.nullable() })

export const moveNeed: EditKind<z.infer<typeof MoveNeed>> = {
  schema: MoveNeed,
  steps: (book, { need, before }) =>
    findNeed(book, need)
      ? orNothing(movePart(book, 'needs', null, need, before))
      : fail({ kind: 'gone', what: 'need' }),
  say: (book, { need }) => `Move the need “${clip(findNeed(book, need)?.text ?? '')}”`,
}

const TieNeed = z.strictObject({ kind: z.literal('tieNeed'), need: Id, part: Id, met: z.boolean() })

/** Ticks or unticks that a table, field, link or rule meets a need. */
export const tieNeed: EditKind<z.infer<typeof TieNeed>> = {
  schema: TieNeed,
  steps(book, { need: id, part, met }) {
    const need = findNeed(book, id)
    if (!need) return fail({ kind: 'gone', what: 'need' })
    const here = [findTable, findField, findLink, findRule].some((find) => find(book, part))
    if (!here) return fail({ kind: 'gone', what: 'table' })
    const others = need.metBy.filter((candidate) => candidate !== part)
    return orNothing(inTurn(book, () => setKeys(need, id, { metBy: met ? [...others, part] : others })))
  },
  say(book, { need, part, met }) {
    const number = book.needs.findIndex((candidate) => candidate.id === need) + 1
    return met
      ? `${partName(book, part)} meets need ${number}`
      : `${partName(book, part)} no longer meets need ${number}`
  },
}
