import { Readable } from 'node:stream'
import { bookRoute, refused } from '@/app/door'
import { fileHeaders } from '@/app/text-answer'
import { fail } from '@/core/words'
import { editionNow, editionFiles, editionPage, editionPdf } from '@/server/reports'

const gone = () => refused(404, fail({ kind: 'edition-gone' }))

/** How far an edition is, one of its pages, the whole of it as a PDF, or its documents as a PDF each. */
export const GET = bookRoute<{ book: string }>('reader', async ({ account, stored }, request) => {
  const query = new URL(request.url).searchParams
  const id = query.get('edition') ?? ''
  const at = query.get('page')
  if (at !== null) {
    const page = await editionPage(id, account.id, stored.id, Number(at))
    return page ? Response.json(page) : gone()
  }
  if (query.has('pdf')) {
    const made = editionPdf(id, account.id, stored.id, account.name)
    if (!made) return gone()
    const name = encodeURIComponent(`${made.title.slice(0, 80)}.pdf`)
    const how = query.get('pdf') === 'look' ? 'inline' : 'attachment'
    return new Response(Readable.toWeb(made.pdf) as ReadableStream, {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `${how}; filename*=UTF-8''${name}`,
        'cache-control': 'no-store',
      },
    })
  }
  if (query.has('files')) {
    const made = editionFiles(id, account.id, stored.id, account.name)
    if (!made) return gone()
    return new Response(Readable.toWeb(made.zip) as ReadableStream, {
      headers: fileHeaders('application/zip', `${made.title.slice(0, 80)}.zip`),
    })
  }
  const now = editionNow(id, account.id, stored.id)
  return now ? Response.json(now) : gone()
})
