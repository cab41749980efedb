import { bookRoute, refused } from '@/app/door'
import { fileHeaders } from '@/app/text-answer'
import { fail } from '@/core/words'
import { findMail, mailPdf } from '@/server/post'

/** The very file that went with an e-mail. */
export const GET = bookRoute<{ book: string; mail: string }>('reader', async ({ db, stored }, _request, { mail }) => {
  const found = await findMail(db, stored.id, mail)
  const pdf = found?.file && (await mailPdf(db, stored.id, mail))
  if (!found?.file || !pdf) return refused(404, fail({ kind: 'gone', what: 'document' }))
  return new Response(new Uint8Array(pdf), { headers: fileHeaders('application/pdf', found.file) })
})
