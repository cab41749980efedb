import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { fileContents, findFile, openedBook } from '@/server/live'

/** A stored file as a download, or its small picture. Never something that a browser would run. */
export const GET = bookRoute<{ book: string; hash: string }>('reader', async ({ db, stored }, request, { hash }) => {
  const live = await openedBook(db, stored)
  if (!live.ok) return refused(409, live)
  const small = new URL(request.url).searchParams.has('small')
  const file = /^[\da-f]{64}$/.test(hash) ? await findFile({ db, live: live.value }, hash) : undefined
  const contents = file && (await fileContents({ db, live: live.value }, hash, small))
  if (!file || !contents) return refused(404, fail({ kind: 'no-such-file' }))
  return new Response(new Uint8Array(contents), {
    headers: {
      'content-type': small ? 'image/webp' : file.mediaType,
      'content-disposition': small ? 'inline' : `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`,
      'content-security-policy': "default-src 'none'; sandbox",
      'x-content-type-options': 'nosniff',
      'cache-control': 'private, max-age=31536000, immutable',
    },
  })
})
