import { type Remote, wrap } from 'comlink'
import type { Reading } from '@/core/needs'
import type { NeedsReader } from './needs.worker'

let reader: Remote<NeedsReader> | undefined

/** Reads needs in a web worker: the first time takes a second for a long text, later ones only for what changed. */
export async function readNeedsApart(needs: readonly string[]): Promise<Reading> {
  reader ??= wrap<NeedsReader>(new Worker(new URL('./needs.worker.ts', import.meta.url)))
  return reader.readNeeds(needs)
}
