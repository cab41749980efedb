import { join } from 'node:path'
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import * as z from 'zod'

/** Pages that are drawn already, each an SVG, and the paper they go on in millimetres. */
export const DrawnPages = z.strictObject({
  title: z.string().max(200),
  width: z.number().min(50).max(1500),
  height: z.number().min(50).max(1500),
  margin: z.number().min(0).max(50),
  pages: z.array(z.string().startsWith('<svg').max(12_000_000)).min(1).max(150),
})
export type DrawnPages = z.infer<typeof DrawnPages>

const family = 'Atkinson Hyperlegible Next'
const points = 72 / 25.4

/** Puts drawn pages on paper: a PDF with real lines and letters. */
export async function pdfOfPages({ title, width, height, margin, pages }: DrawnPages): Promise<Buffer> {
  prepare()
  const [w, h, m] = [width * points, height * points, margin * points]
  const document: TDocumentDefinitions = {
    info: { title },
    pageSize: { width: w, height: h },
    pageMargins: m,
    defaultStyle: { font: family },
    // A hair less than the paper takes, so that rounding makes no empty pages.
    content: pages.map((svg, at) => ({
      svg,
      width: w - 2 * m,
      height: h - 2 * m - 0.5,
      ...(at > 0 && { pageBreak: 'before' as const }),
    })),
  }
  return pdfmake.createPdf(document).getBuffer()
}

let prepared = false

/** Only the typefaces that ship with the application are ever read; nothing is fetched. */
function prepare(): void {
  if (prepared) return
  prepared = true
  const faces = join(process.cwd(), 'node_modules', '@expo-google-fonts', 'atkinson-hyperlegible-next')
  const face = (name: string) => join(faces, name, `AtkinsonHyperlegibleNext_${name}.ttf`)
  pdfmake.setFonts({
    [family]: {
      normal: face('400Regular'),
      bold: face('700Bold'),
      italics: face('400Regular_Italic'),
      bolditalics: face('700Bold_Italic'),
    },
  })
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path) => path.startsWith(faces))
}
