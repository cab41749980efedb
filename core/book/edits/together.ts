import * as z from 'zod'
import type { Result } from '../../words'
import type { Book } from '../book'
import { apply, type Step } from '../steps'
import type { EditKind } from './edit-kind'

const Together = z.strictObject({
  kind: z.literal('together'),
  /** How history tells them as one. */
  say: z.string().min(1).max(300),
  edits: z
    .array(z.looseObject({ kind: z.string().max(40) }))
    .min(1)
    .max(400),
})
type Together = z.infer<typeof Together>

/** Several edits as one: all of them or none, taken back in one go. `stepsOf` reads and resolves one of them. */
export const togetherOf = (stepsOf: (book: Book, message: unknown) => Result<readonly Step[]>): EditKind<Together> => ({
  schema: Together,
  steps(book, { edits }) {
    const all: Step[] = []
    let current = book
    for (const edit of edits) {
      const steps = stepsOf(current, edit)
      if (!steps.ok) {
        // One that finds nothing left to change has what it wished for.
        if (steps.problem.kind === 'nothing-to-change') continue
        return steps
      }
      const next = apply(current, steps.value)
      if (!next.ok) return next
      all.push(...steps.value)
      current = next.value
    }
    return all.length > 0 ? { ok: true, value: all } : { ok: false, problem: { kind: 'nothing-to-change' } }
  },
  say: (_book, { say }) => say,
})
