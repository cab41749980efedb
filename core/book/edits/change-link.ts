import * as z from 'zod'
import { fail, ok } from '../../words'
import { limits } from '../limits'
import { setKeys } from '../build-steps'
import { findTable } from '../find'
import { type EditKind, Id } from './edit-kind'

const ChangeLink = z.strictObject({
  kind: z.literal('changeLink'),
  link: Id,
  must: z.boolean().optional(),
  least: z.union([z.literal(0), z.literal(1)]).optional(),
  onRemove: z.enum(['keep', 'remove', 'leave']).optional(),
  label: z.string().max(limits.nameLength).optional(),
  back: z.string().max(limits.nameLength).optional(),
})

/** Changes a link without changing its shape: must-haves, removal, how it reads. */
export const changeLink: EditKind<z.infer<typeof ChangeLink>> = {
  schema: ChangeLink,
  steps(book, { link: id, must, least, onRemove, label, back }) {
    const link = book.links.find((candidate) => candidate.id === id)
    const table = link && findTable(book, link.many)
    const field = table?.fields.find((candidate) => candidate.id === link?.field)
    if (!link || !table || !field) return fail({ kind: 'gone', what: 'link' })
    const mustBe = must ?? field.must === true
    const removal = onRemove ?? link.onRemove
    if (removal === 'leave' && (mustBe || table.key.includes(field.id))) {
      return fail({ kind: 'must-cannot-leave', field: field.name })
    }
    const steps = [
      ...setKeys(link, id, {
        least: least ?? link.least,
        onRemove: removal,
        label: (label ?? link.label)?.trim() || undefined,
        back: (back ?? link.back)?.trim() || undefined,
      }),
      ...setKeys(field, field.id, { must: mustBe || undefined }),
    ]
    return steps.length === 0 ? fail({ kind: 'nothing-to-change' }) : ok(steps)
  },
  say(book, { link }) {
    const found = book.links.find((candidate) => candidate.id === link)
    return `Change the link between ${findTable(book, found?.one ?? '')?.name ?? ''} and ${findTable(book, found?.many ?? '')?.name ?? ''}`
  },
}
