import type { Picture } from '@/core/book'
import { type Result, wordProblem } from '@/core/words'

/** A picture may have so many megabytes. */
const mostMegabytes = 10

/** What a browser offers when a picture is looked for. */
export const pictureTypes = 'image/png,image/jpeg,image/webp,image/gif,image/svg+xml'

/** Gives a picture from this computer to the book; the picture as it is kept, or why it isn't, in words. */
export async function takePicture(base: string, file: File): Promise<Picture | string> {
  if (file.size > mostMegabytes * 1024 * 1024) return wordProblem({ kind: 'file-too-big', megabytes: mostMegabytes })
  const form = new FormData()
  form.set('file', file)
  const kept = await fetch(`${base}/pictures`, { method: 'POST', body: form })
    .then((answer) => answer.json() as Promise<Result<Picture>>)
    .catch(() => undefined)
  if (!kept) return 'The picture could not be sent. Try again in a moment.'
  return kept.ok ? kept.value : wordProblem(kept.problem)
}
