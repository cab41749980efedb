import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { openedBook, storeFile } from '@/server/live'

// A little over the largest file a field can allow, for what surrounds it in the message.
const mostBytes = 26 * 1024 * 1024

/** Takes a file for a field, checks what it really is, and answers with its hash. */
export const POST = bookRoute('staff', async ({ db, stored }, request) => {
  const live = await openedBook(db, stored)
  if (!live.ok) return refused(409, live)
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes)
    return refused(413, fail({ kind: 'file-too-big', megabytes: 25 }))
  const form = await request.formData().catch(() => undefined)
  const file = form?.get('file')
  if (!(file instanceof File)) return refused(400, fail({ kind: 'no-such-file' }))
  return Response.json(
    await storeFile({ db, live: live.value }, String(form?.get('field')), {
      name: file.name,
      contents: Buffer.from(await file.arrayBuffer()),
    }),
  )
})
