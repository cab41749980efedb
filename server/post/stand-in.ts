import type { AddressInfo } from 'node:net'
import { SMTPServer } from 'smtp-server'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { run, select } from '../database'
import { newId } from '../ids'
import { log } from '../log'

/** Addresses there are refused, to see what comes of that. */
export const refusedDomain = 'refused.example'

/** A message may have so many bytes. */
const largest = 40 * 1024 * 1024

/** So many messages of a book are kept; the oldest go. */
const mostKept = 2000

const held = globalThis as { hearthPostOffices?: WeakMap<Catalogue, Promise<number>> }

/**
 * The post office that ships with the program: it takes every message in, by SMTP on loopback, and hands none on.
 * Whoever brings one signs in by the id of the book that it is of.
 * @returns its port
 */
export function standIn(db: Catalogue): Promise<number> {
  const offices = (held.hearthPostOffices ??= new WeakMap())
  const office =
    offices.get(db) ??
    start(db).catch((cause: unknown) => {
      offices.delete(db)
      throw cause
    })
  offices.set(db, office)
  return office
}

function start(db: Catalogue): Promise<number> {
  const server = new SMTPServer({
    banner: 'Post office of Hearth Table',
    disabledCommands: ['STARTTLS'],
    allowInsecureAuth: true,
    size: largest,
    onAuth: ({ username }, _session, done) => done(null, { user: username ?? '' }),
    onRcptTo({ address }, _session, done) {
      if (!address.toLowerCase().endsWith(`@${refusedDomain}`)) return done()
      done(Object.assign(new Error('Nobody has a box here'), { responseCode: 550 }))
    },
    onData(stream, session, done) {
      const parts: Buffer[] = []
      stream.on('data', (part: Buffer) => parts.push(part))
      stream.on('error', done)
      stream.on('end', () => {
        const book = typeof session.user === 'string' ? session.user : ''
        const receivers = session.envelope.rcptTo.map(({ address }) => address)
        takeIn(db, book, receivers, Buffer.concat(parts)).then(
          () => done(null, 'Taken in'),
          (cause: unknown) => {
            log.error({ cause }, 'the post office could not keep a message')
            done(Object.assign(new Error('It can’t be kept just now'), { responseCode: 451 }))
          },
        )
      })
    },
  })
  server.on('error', (cause) => log.warn({ cause }, 'the post office had trouble'))
  return new Promise((resolve, reject) => {
    server.server.once('error', reject)
    server.listen(0, '127.0.0.1', () => {
      // It keeps no process alive by itself.
      server.server.unref()
      resolve((server.server.address() as AddressInfo).port)
    })
  })
}

async function takeIn(db: Catalogue, book: string, receivers: readonly string[], contents: Buffer): Promise<void> {
  const table = `\`${db.catalogue}\`.post_received`
  await run(db, `INSERT INTO ${table} (id, book_id, received_at, receivers, contents) VALUES (?, ?, ?, ?, ?)`, [
    ...[newId(), book, stamp(), receivers.join(', '), contents],
  ])
  const [oldest] = await select<{ received_at: string }>(
    db,
    `SELECT received_at FROM ${table} WHERE book_id = ? ORDER BY received_at DESC LIMIT 1 OFFSET ${mostKept}`,
    [book],
  )
  if (oldest) await run(db, `DELETE FROM ${table} WHERE book_id = ? AND received_at <= ?`, [book, oldest.received_at])
}
