import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import * as z from 'zod'
import { addFontFallback, family, isTypeface, typefaces } from './typefaces'

/** Pages that are drawn already, each an SVG, and the paper they go on in millimetres. */
export const DrawnPages = z.strictObject({
  title: z.string().max(200),
  width: z.number().min(50).max(1500),
  height: z.number().min(50).max(1500),
  margin: z.number().min(0).max(50),
  pages: z.array(z.string().startsWith('<svg').max(12_000_000)).min(1).max(150),
})
export type DrawnPages = z.infer<typeof DrawnPages>

const points = 72 / 25.4

export interface MadePages {
  readonly pdf: Buffer
  /** Letters for which the typefaces on paper have no shape. */
  readonly missing: readonly string[]
}

/** Puts drawn pages on paper: a PDF with real lines and letters. */
export async function pdfOfPages({ title, width, height, margin, pages }: DrawnPages): Promise<MadePages> {
  prepare()
  const [w, h, m] = [width * points, height * points, margin * points]
  const dressed = pages.map(addFontFallback)
  const document: TDocumentDefinitions = {
    info: { title },
    pageSize: { width: w, height: h },
    pageMargins: m,
    defaultStyle: { font: family },
    // A hair less than the paper takes, so that rounding makes no empty pages.
    content: dressed.map(({ svg }, at) => ({
      svg,
      width: w - 2 * m,
      height: h - 2 * m - 0.5,
      ...(at > 0 && { pageBreak: 'before' as const }),
    })),
  }
  const pdf = await pdfmake.createPdf(document).getBuffer()
  return { pdf, missing: [...new Set(dressed.flatMap(({ missing }) => [...missing]))] }
}

let prepared = false

/** Only the typefaces that ship with the application are ever read; nothing is fetched. */
function prepare(): void {
  if (prepared) return
  prepared = true
  pdfmake.setFonts(typefaces)
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy(isTypeface)
}
