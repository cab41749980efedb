import { Readable } from 'node:stream'
import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { fileInTray } from '@/server/tray'
import { editionHeaders } from '../../paper/edition-headers'

/** A file of the tray. */
export const GET = bookRoute<{ book: string }>('reader', async ({ db, account, stored }, request) => {
  const id = new URL(request.url).searchParams.get('id') ?? ''
  const found = await fileInTray(db, { book: stored.id, account: account.id }, id)
  if (!found) return refused(404, fail({ kind: 'edition-gone' }))
  const { file, contents } = found
  return new Response(Readable.toWeb(Readable.from(contents)) as ReadableStream, {
    headers: { ...editionHeaders(file.title, file.form), 'content-length': String(file.size) },
  })
})
