import { bookRoute, refused } from '@/app/door'
import { fileHeaders } from '@/app/text-answer'
import { fail } from '@/core/words'
import { paperPdf } from '@/server/reports'

/** The very file that was handed out. */
export const GET = bookRoute<{ book: string; paper: string }>('reader', async ({ db, stored }, _request, { paper }) => {
  const found = await paperPdf(db, stored.id, paper)
  if (!found) return refused(404, fail({ kind: 'gone', what: 'document' }))
  return new Response(new Uint8Array(found.pdf), {
    headers: { ...fileHeaders('application/pdf', `${found.name.slice(0, 80)}.pdf`), etag: `"${found.hash}"` },
  })
})
