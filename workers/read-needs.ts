import { type Remote, wrap } from 'comlink'
import type { Book } from '@/core/book'
import type { Proposals } from '@/core/needs'
import type { NeedsReader } from './needs.worker'

let reader: Remote<NeedsReader> | undefined

/** Reads a book's needs in a web worker: the first time takes a second for a long text, later ones only for what changed. */
export async function readNeedsApart(book: Book): Promise<Proposals> {
  reader ??= wrap<NeedsReader>(new Worker(new URL('./needs.worker.ts', import.meta.url)))
  return reader.proposalsFor(book)
}
