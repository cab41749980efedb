import { Readable } from 'node:stream'
import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { editionFile, editionForms, editionNow, editionPage, laidEdition } from '@/server/reports'
import { editionHeaders } from '../../paper/edition-headers'

const gone = () => refused(404, fail({ kind: 'edition-gone' }))

/** How far an edition is, one of its pages, the whole of it as a PDF, or its documents as a PDF each. */
export const GET = bookRoute<{ book: string }>('reader', async ({ account, stored }, request) => {
  const query = new URL(request.url).searchParams
  const id = query.get('edition') ?? ''
  const at = query.get('page')
  if (at !== null) {
    const page = await editionPage(id, account.id, stored.id, Number(at))
    return Response.json(page ?? null)
  }
  const form = editionForms.find((one) => query.has(one))
  if (form) {
    const laid = laidEdition(id, account.id, stored.id)
    if (!laid) return gone()
    const file = Readable.toWeb(editionFile(laid, form, account.name)) as ReadableStream
    return new Response(file, { headers: editionHeaders(laid.title, form, query.get(form) === 'look') })
  }
  const now = editionNow(id, account.id, stored.id)
  // What was laid anew meanwhile is asked after for a moment: that it is gone is an answer too, and no fault.
  return Response.json(now ?? { id, pages: 0, title: '', problem: { kind: 'edition-gone' } })
})
