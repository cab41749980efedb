import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { mostMegabytes, storePicture } from '@/server/reports'

// A little over the largest picture, for what surrounds it in the message.
const mostBytes = (mostMegabytes + 1) * 1024 * 1024

/** Takes a picture for what the office prints, and answers with its hash. */
export const POST = bookRoute('staff', async ({ db, stored }, request) => {
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes)
    return refused(413, fail({ kind: 'file-too-big', megabytes: mostMegabytes }))
  const form = await request.formData().catch(() => undefined)
  const file = form?.get('file')
  if (!(file instanceof File)) return refused(400, fail({ kind: 'no-such-file' }))
  const contents = Buffer.from(await file.arrayBuffer())
  return Response.json(await storePicture(db, stored.id, { name: file.name, contents }))
})
