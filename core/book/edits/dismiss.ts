import * as z from 'zod'
import { fail, ok } from '../../words'
import { limits } from '../limits'
import { dropPart, putDismissal } from '../build-steps'
import { type EditKind, Id } from './edit-kind'

const Dismiss = z.strictObject({
  kind: z.literal('dismiss'),
  id: Id,
  what: z.string().min(1).max(300),
  /** What was dismissed, for history: "the table Bench". */
  name: z.string().max(300),
  why: z.string().max(300).optional(),
  seen: z.string().max(64).optional(),
})

/** Keeps that a proposal or a piece of advice isn't wanted. */
export const dismiss: EditKind<z.infer<typeof Dismiss>> = {
  schema: Dismiss,
  steps(book, { id, what, why, seen }) {
    if (book.dismissed.length >= limits.dismissed)
      return fail({ kind: 'too-many', what: 'need', limit: limits.dismissed })
    const earlier = book.dismissed
      .filter((dismissed) => dismissed.what === what)
      .map((dismissed) => dropPart(book, 'dismissed', dismissed.id))
    return ok([...earlier, putDismissal({ id, what, ...(why?.trim() && { why: why.trim() }), ...(seen && { seen }) })])
  },
  say: (_book, { name }) => `Ignore ${name}`,
}

const WantAgain = z.strictObject({
  kind: z.literal('wantAgain'),
  what: z.string().min(1).max(300),
  name: z.string().max(300),
})

/** Takes a dismissal back. */
export const wantAgain: EditKind<z.infer<typeof WantAgain>> = {
  schema: WantAgain,
  steps(book, { what }) {
    const dismissed = book.dismissed.filter((one) => one.what === what)
    if (dismissed.length === 0) return fail({ kind: 'nothing-to-change' })
    return ok(dismissed.map((one) => dropPart(book, 'dismissed', one.id)))
  },
  say: (_book, { name }) => `Restore ${name}`,
}
