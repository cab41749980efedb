import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { pictureOf } from '@/server/reports'

/** A picture that stands on what the office prints. */
export const GET = bookRoute<{ book: string; hash: string }>('reader', async ({ db, stored }, _request, { hash }) => {
  const contents = await pictureOf(db, stored.id, hash)
  if (!contents) return refused(404, fail({ kind: 'no-such-file' }))
  return new Response(new Uint8Array(contents), {
    headers: {
      'content-type': 'image/png',
      // Another picture has another hash.
      'cache-control': 'private, max-age=31536000, immutable',
      'x-content-type-options': 'nosniff',
    },
  })
})
