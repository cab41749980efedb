import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { DrawnPages, pdfOfPages } from '@/server/papers'

const notPages = fail({ kind: 'in-own-words', words: 'These are no pages that could be put on paper.' })

const mostNamed = 30

/** The pages of a map that the browser has drawn, as a PDF. */
export const POST = bookRoute('administrator', async (_at, request) => {
  const json: unknown = await request.json().catch(() => undefined)
  const pages = DrawnPages.safeParse(json)
  if (!pages.success) return refused(400, notPages)
  const made = await pdfOfPages(pages.data).catch(() => undefined)
  if (!made) return refused(400, notPages)
  return new Response(new Uint8Array(made.pdf), {
    headers: {
      'content-type': 'application/pdf',
      'cache-control': 'no-store',
      // A header takes plain letters only.
      'x-letters-missing': encodeURIComponent(made.missing.slice(0, mostNamed).join('')),
    },
  })
})
