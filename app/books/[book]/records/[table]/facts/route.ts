import type { Values } from '@/core/records'
import { linkedValues } from '@/server/live'
import { tableRoute } from '../../records-route'

const mostAtOnce = 200

/**
 * What derived fields read through links: for each `of=FIELD~REFERENCE` of one of the table's link fields the
 * facts of that record, or null where there is none; with each `also=FIELD~WAY` a further fact that a form
 * shows or asks for, a field of it or one over its links, with strokes between.
 */
export const GET = tableRoute('reader', async ({ db, live }, request, { table }) => {
  const links = new Set(live.book.links.filter((link) => link.many === table).map((link) => link.field))
  const asked = new URL(request.url).searchParams.getAll('of').slice(0, mostAtOnce)
  const also = new URL(request.url).searchParams.getAll('also').slice(0, mostAtOnce)
  const found: Record<string, Values | null> = {}
  for (const one of asked) {
    const at = one.indexOf('~')
    const field = one.slice(0, at)
    if (links.has(field))
      found[one] = (await linkedValues({ db, live }, field, one.slice(at + 1), shownOf(also, field))) ?? null
  }
  return Response.json(found)
})

const shownOf = (also: readonly string[], field: string) =>
  also.flatMap((one) => (one.startsWith(`${field}~`) ? [one.slice(field.length + 1)] : []))
