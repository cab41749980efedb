import * as z from 'zod'
import { fail, ok } from '../../words'
import { limits } from '../limits'
import { dropPart, putWaved } from '../build-steps'
import { type EditKind, Id } from './edit-kind'

const WaveOff = z.strictObject({
  kind: z.literal('waveOff'),
  id: Id,
  what: z.string().min(1).max(300),
  /** What was waved off, for history: "the table Bench". */
  name: z.string().max(300),
  why: z.string().max(300).optional(),
  seen: z.string().max(64).optional(),
})

/** Keeps that a proposal or a piece of advice isn't wanted. */
export const waveOff: EditKind<z.infer<typeof WaveOff>> = {
  schema: WaveOff,
  steps(book, { id, what, why, seen }) {
    if (book.waved.length >= limits.waved) return fail({ kind: 'too-many', what: 'need', limit: limits.waved })
    const earlier = book.waved.filter((waved) => waved.what === what).map((waved) => dropPart(book, 'waved', waved.id))
    return ok([...earlier, putWaved({ id, what, ...(why?.trim() && { why: why.trim() }), ...(seen && { seen }) })])
  },
  say: (_book, { name }) => `Ignore ${name}`,
}

const WantAgain = z.strictObject({
  kind: z.literal('wantAgain'),
  what: z.string().min(1).max(300),
  name: z.string().max(300),
})

/** Takes a waving off back. */
export const wantAgain: EditKind<z.infer<typeof WantAgain>> = {
  schema: WantAgain,
  steps(book, { what }) {
    const waved = book.waved.filter((one) => one.what === what)
    if (waved.length === 0) return fail({ kind: 'nothing-to-change' })
    return ok(waved.map((one) => dropPart(book, 'waved', one.id)))
  },
  say: (_book, { name }) => `Restore ${name}`,
}
