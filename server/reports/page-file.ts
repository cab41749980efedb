import { type FileHandle, mkdtemp, open, readdir, rm, stat } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@/core/reports'

const begins = 'hearth-pages-'
/** Longer than any edition waits. */
const stale = 12 * 3_600_000
let isSwept: Promise<void> | undefined

/** What a server left that was stopped before it could tidy up, once for each start. */
const sweep = (): Promise<void> => (isSwept ??= sweepIn(tmpdir()))

export async function sweepIn(folder: string): Promise<void> {
  for (const name of await readdir(folder).catch(() => []))
    if (name.startsWith(begins)) {
      const path = join(folder, name)
      const age = await stat(path).then(
        ({ mtimeMs }) => Date.now() - mtimeMs,
        () => 0,
      )
      if (age > stale) await rm(path, { recursive: true, force: true })
    }
}

/** Pages of an edition in a file, one after the other, read by their number; so that a thousand take no memory. */
export class PageFile {
  private readonly places: { readonly from: number; readonly length: number }[] = []
  private end = 0

  private constructor(
    private readonly folder: string,
    private readonly file: FileHandle,
  ) {}

  static async make(): Promise<PageFile> {
    await sweep()
    const folder = await mkdtemp(join(tmpdir(), begins))
    return new PageFile(folder, await open(join(folder, 'pages'), 'w+'))
  }

  get count(): number {
    return this.places.length
  }

  /** Pages are there to be read once they are written. */
  async add(pages: readonly Page[]): Promise<void> {
    for (const page of pages) {
      const bytes = Buffer.from(JSON.stringify(page))
      await this.file.write(bytes, 0, bytes.length, this.end)
      this.places.push({ from: this.end, length: bytes.length })
      this.end += bytes.length
    }
  }

  async page(at: number): Promise<Page | undefined> {
    const place = this.places[at]
    if (!place) return undefined
    const bytes = Buffer.alloc(place.length)
    await this.file.read(bytes, 0, place.length, place.from)
    return JSON.parse(bytes.toString('utf8')) as Page
  }

  async remove(): Promise<void> {
    await this.file.close().catch(() => undefined)
    await rm(this.folder, { recursive: true, force: true })
  }
}
