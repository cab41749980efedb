import type { SaveRequest } from '@/server/live'
import { fail } from '@/core/words'
import { save } from '../actions'

/** How long a record waits for an opening, in milliseconds, before the person is told to press again. */
const patience = 300_000
const pause = 800
/** What one save may come to; what is larger would be cut off on its way. */
const mostBytes = 16 * 2 ** 20

/**
 * Sends a record. While the book is being opened with a changed design it is sent again by itself until it is
 * through; `onWaiting` hears that it waits.
 */
export async function saveWhenOpen(book: { id: string; name: string }, request: SaveRequest, onWaiting: () => void) {
  if (new Blob([JSON.stringify(request)]).size > mostBytes)
    return fail({ kind: 'save-too-big', megabytes: mostBytes / 2 ** 20 })
  const until = Date.now() + patience
  for (;;) {
    const result = await save(book.id, request)
    if (!result.ok || result.value.kind !== 'waits') return result
    if (Date.now() > until) return fail({ kind: 'being-opened', book: book.name })
    onWaiting()
    await new Promise((done) => setTimeout(done, pause))
  }
}
