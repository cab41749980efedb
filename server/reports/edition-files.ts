import { PassThrough, type Readable } from 'node:stream'
import { ZipArchive } from 'archiver'
import { ReportPdf } from '../papers'
import type { LaidEdition } from './editions'

export const editionForms = ['pdf', 'zip'] as const
/** One PDF of all, or one for each document in a ZIP file. */
export type EditionForm = (typeof editionForms)[number]

/** An edition as a file, written as it is read. */
export const editionFile = (edition: LaidEdition, form: EditionForm, author: string): Readable =>
  form === 'pdf' ? pdfOfPages(edition, author) : filesOfPages(edition, author)

/** The whole edition as a PDF. */
function pdfOfPages(
  { title, sheet, began, count, page: pageAt, pictures: load }: LaidEdition,
  author: string,
): Readable {
  const out = new PassThrough()
  const write = async () => {
    const pdf = new ReportPdf(sheet, { title, author, made: began, pictures: await load() })
    pdf.stream.pipe(out)
    for (let at = 0; at < count && !out.destroyed; at++) {
      const page = await pageAt(at)
      if (page) pdf.page(page)
      await taken(out)
    }
    pdf.end()
  }
  write().catch((cause: unknown) => out.destroy(cause as Error))
  return out
}

/** What isn't taken yet waits here, and not in memory. */
async function taken(out: PassThrough): Promise<void> {
  while (out.writableNeedDrain && !out.destroyed) await new Promise((later) => setTimeout(later, 5))
}

/** A name that every file system takes. */
const tidy = (name: string) =>
  name
    .replace(/[\p{Cc}\p{Cf}<>:"/\\|?*]/gu, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[. ]+|[. ]+$/g, '')
    .slice(0, 80) || 'Document'

/** Names that no two files share. */
class Names {
  private readonly taken = new Set<string>()
  of(name: string): string {
    const own = tidy(name)
    let free = own
    for (let count = 2; this.taken.has(free.toLowerCase()); count++) free = `${own} (${count})`
    this.taken.add(free.toLowerCase())
    return free
  }
}

/** A PDF for each document among some pages, in one ZIP file, written as it is sent. */
function filesOfPages({ sheet, began: made, page, pictures: load }: LaidEdition, author: string): Readable {
  const out = new PassThrough()
  const zip = new ZipArchive({ zlib: { level: 1 } })
  const names = new Names()
  zip.pipe(out)
  let open: { readonly name: string; readonly pdf: ReportPdf; readonly parts: Promise<Buffer> } | undefined
  const close = async () => {
    if (!open) return
    open.pdf.end()
    zip.append(await open.parts, { name: `${names.of(open.name)}.pdf`, date: made })
    open = undefined
  }
  const write = async () => {
    const pictures = await load()
    for (let at = 0; !out.destroyed; at++) {
      const next = await page(at)
      if (!next) break
      const [mark] = next.marks
      if (mark !== undefined || !open) {
        await close()
        const name = mark?.words ?? 'Document'
        const pdf = new ReportPdf(sheet, { title: name, author, made, pictures })
        open = { name, pdf, parts: wholeOf(pdf.stream) }
      }
      open?.pdf.page(next)
      await taken(out)
    }
    await close()
    await zip.finalize()
  }
  write().catch((cause: unknown) => out.destroy(cause as Error))
  return out
}

async function wholeOf(stream: NodeJS.ReadableStream): Promise<Buffer> {
  const parts: Buffer[] = []
  for await (const part of stream) parts.push(part as Buffer)
  return Buffer.concat(parts)
}
