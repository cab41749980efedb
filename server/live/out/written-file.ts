import { createReadStream, createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'

/**
 * Something that is written to a file first, so that a million rows need no more memory than a thousand, and what goes
 * wrong is known before anything is sent.
 */
export async function writtenFile(write: (file: string) => Promise<void>): Promise<Readable> {
  const folder = await mkdtemp(path.join(tmpdir(), 'hearth-list-'))
  try {
    const file = path.join(folder, 'list')
    await write(file)
    const sent = createReadStream(file)
    await new Promise<void>((opened, failed) => sent.once('open', () => opened()).once('error', failed))
    return sent
  } finally {
    // What is open can be read to its end.
    await rm(folder, { recursive: true, force: true })
  }
}

export const textFile = (parts: AsyncGenerator<string>): Promise<Readable> =>
  writtenFile((file) => pipeline(Readable.from(parts), createWriteStream(file)))
