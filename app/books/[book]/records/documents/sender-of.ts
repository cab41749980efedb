import type { Catalogue } from '@/server/catalogue'
import { postOfficeOf, sayAddress, usualSender } from '@/server/post'

/** Who a book's e-mails are from, and by which post office they go. */
export interface Sender {
  readonly from: string
  /** The machine that they are given to; none where nothing leaves this one. */
  readonly host: string | undefined
}

export async function senderOf(db: Catalogue, book: string): Promise<Sender> {
  const set = await postOfficeOf(db, book)
  const address = set?.senderAddress ?? usualSender
  return { from: sayAddress({ name: set?.senderName ?? '', address }), host: set?.real?.host }
}
