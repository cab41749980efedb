import { PassThrough, type Readable } from 'node:stream'
import { ZipArchive } from 'archiver'
import type { Page } from '@/core/reports'
import { ReportPdf, type Sheet } from '../papers'
import type { Pictures } from './pictures'

interface Files {
  readonly sheet: Sheet
  readonly author: string
  readonly made: Date
  readonly pictures: () => Promise<Pictures | undefined>
  /** The pages, in their order; undefined after the last. */
  readonly page: (at: number) => Promise<Page | undefined>
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
export function filesOfPages({ sheet, author, made, page, pictures: load }: Files): Readable {
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
      // What isn't taken yet waits here, and not in memory.
      while (out.writableNeedDrain && !out.destroyed) await new Promise((later) => setTimeout(later, 5))
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
