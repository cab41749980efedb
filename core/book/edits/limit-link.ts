import * as z from 'zod'
import { fail } from '../../words'
import { Limit } from '../book'
import { setKeys } from '../build-steps'
import { findLink, findTable } from '../find'
import { type EditKind, Id, orNothing } from './edit-kind'

const LimitLink = z.strictObject({ kind: z.literal('limitLink'), link: Id, limits: z.array(Limit).max(20) })

/** Says how many rows at most hang on one record through a link, all of them or those that meet a condition. */
export const limitLink: EditKind<z.infer<typeof LimitLink>> = {
  schema: LimitLink,
  steps(book, { link: id, limits }) {
    const link = findLink(book, id)
    const fields = link && findTable(book, link.many)?.fields
    if (!link || !fields) return fail({ kind: 'gone', what: 'link' })
    if (limits.some(({ when }) => when && !fields.some((field) => field.id === when.field)))
      return fail({ kind: 'gone', what: 'field' })
    return orNothing(setKeys(link, id, { limits: limits.length > 0 ? limits : undefined }))
  },
  say(book, { link: id, limits }) {
    const link = findLink(book, id)
    const [one, many] = [findTable(book, link?.one ?? '')?.name ?? '', findTable(book, link?.many ?? '')?.name ?? '']
    const [first] = limits
    return first ? `At most ${first.most} of ${many} for each ${one}` : `No limit of ${many} for each ${one}`
  },
}
