import { bookRoute, refused } from '@/app/door'
import { fileHeaders } from '@/app/text-answer'
import { fail } from '@/core/words'
import { receivedFile } from '@/server/post'

/** A message as the post office took it in, byte by byte. */
export const GET = bookRoute<{ book: string; message: string }>(
  'staff',
  async ({ db, stored }, _request, { message }) => {
    const found = await receivedFile(db, stored.id, message)
    if (!found) return refused(404, fail({ kind: 'gone', what: 'document' }))
    return new Response(new Uint8Array(found), { headers: fileHeaders('message/rfc822', `message-${message}.eml`) })
  },
)
