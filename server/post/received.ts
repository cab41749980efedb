import PostalMime from 'postal-mime'
import type { Catalogue } from '../catalogue'
import { select } from '../database'
import { sayAddress } from './post-office'

/** A message that the post office took in, as whoever gets it would see it. */
export interface Received {
  readonly id: string
  /** In UTC, as the database writes it. */
  readonly at: string
  readonly to: string
  readonly from: string
  readonly subject: string
  readonly text: string
  readonly files: readonly { readonly name: string; readonly bytes: number }[]
}

interface Row {
  readonly id: string
  readonly received_at: string
  readonly receivers: string
  readonly contents: Buffer
}

const mostShown = 50

/** The newest messages of a book that the post office took in. */
export async function receivedOf(db: Catalogue, book: string): Promise<Received[]> {
  const rows = await select<Row>(
    db,
    `SELECT id, received_at, receivers, contents FROM \`${db.catalogue}\`.post_received WHERE book_id = ?
     ORDER BY received_at DESC, id LIMIT ${mostShown}`,
    [book],
  )
  return Promise.all(rows.map(receivedIn))
}

async function receivedIn({ id, received_at: at, receivers: to, contents }: Row): Promise<Received> {
  const read = await PostalMime.parse(contents)
  return {
    id,
    at,
    to,
    from: sayAddress({ name: read.from?.name ?? '', address: read.from?.address ?? '' }),
    subject: read.subject ?? '',
    text: read.text?.trimEnd() ?? '',
    files: read.attachments.map(({ filename, content }) => ({
      name: filename ?? 'a file',
      bytes: typeof content === 'string' ? content.length : content.byteLength,
    })),
  }
}

/** A message as it came in, byte by byte. */
export async function receivedFile(db: Catalogue, book: string, id: string): Promise<Buffer | undefined> {
  const [row] = await select<{ contents: Buffer }>(
    db,
    `SELECT contents FROM \`${db.catalogue}\`.post_received WHERE book_id = ? AND id = ?`,
    [book, id],
  )
  return row?.contents
}
