import { bookRoute } from '@/app/door'
import { trayOf } from '@/server/tray'

/** What waits in the tray of whoever asks, and how far what is being made is. */
export const GET = bookRoute<{ book: string }>('reader', async ({ db, account, stored }) =>
  Response.json(await trayOf(db, { book: stored.id, account: account.id })),
)
