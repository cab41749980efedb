import { expect, test } from 'vitest'
import { testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { select, transact } from '../database'
import { putOut } from './outbox'
import { sendWaiting } from './sending'

/** A catalogue with a book that has three e-mails waiting. */
async function waitingIn(name: string): Promise<{ db: Catalogue; book: string }> {
  const db = await testCatalogue(name)
  const account = await testAccount(db, 'Averil')
  const book = await testBook(db, account, 'Sending', [])
  const mails = [1, 2, 3].map((at) => ({
    ...{ template: 'bill', name: 'Bill', table: 'visit', ref: String(at), label: String(at) },
    ...{ to: [`una${at}@otterby.example`], subject: `${name} ${at}`, text: 'Good day' },
  }))
  await transact(db, (transaction) => putOut(db, book, account.id, mails, transaction))
  return { db, book }
}

test('a process that serves two catalogues sends for each, and keeps what came in where it belongs', async () => {
  const both = [await waitingIn('posthere'), await waitingIn('postthere')]
  await Promise.all(both.map(({ db }) => sendWaiting(db)))
  for (const { db, book } of both) {
    const states = await select(db, `SELECT state FROM \`${db.catalogue}\`.mails WHERE book_id = ?`, [book])
    expect(states).toEqual([{ state: 'sent' }, { state: 'sent' }, { state: 'sent' }])
    const kept = await select(db, `SELECT book_id FROM \`${db.catalogue}\`.post_received`)
    expect(kept).toEqual([{ book_id: book }, { book_id: book }, { book_id: book }])
  }
})
