import { createTransport, type Transporter } from 'nodemailer'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { run, select, transact } from '../database'
import { log } from '../log'
import { mailPdf } from './outbox'
import { openedPassword, postOfficeOf, sayAddress } from './post-office'
import { standIn } from './stand-in'

/** How long until it is tried again, in minutes: after the first time, the second, and so on; then it is given up. */
const pauses = [1, 5, 15, 60, 240]

/** Nothing is on its way for longer, in minutes: whoever sent it was stopped. */
const longest = 10

/** How often it is looked for what waits, in milliseconds. */
const often = 20_000

/** A post office answers within this, in milliseconds, or isn't there. */
const patience = { connectionTimeout: 20_000, greetingTimeout: 20_000, socketTimeout: 60_000 }

interface Due {
  readonly id: string
  readonly book_id: string
  readonly receivers: string
  readonly subject: string
  readonly message: string
  readonly file_name: string | null
  readonly tries: number
}

interface Sender {
  sending?: Promise<void>
  more?: boolean
  timer?: NodeJS.Timeout
}

const held = globalThis as { hearthSenders?: WeakMap<Catalogue, Sender> }

/** Whoever sends what waits in one catalogue, in this process. */
function senderOf(db: Catalogue): Sender {
  const all = (held.hearthSenders ??= new WeakMap())
  const sender = all.get(db) ?? {}
  all.set(db, sender)
  return sender
}

/** Sends what waits, now and whenever more comes. */
export function keepSending(db: Catalogue): void {
  senderOf(db).timer ??= setInterval(() => sendNow(db), often).unref()
  sendNow(db)
}

/** Sends what waits. Whoever asks needn't wait for it. */
export function sendNow(db: Catalogue): void {
  void sendWaiting(db)
}

/** Sends what waits, one after the other, until nothing does. One at a time in this process. */
export function sendWaiting(db: Catalogue): Promise<void> {
  const sender = senderOf(db)
  sender.more = true
  sender.sending ??= (async () => {
    while (sender.more) {
      sender.more = false
      await sendAll(db).catch((cause: unknown) => log.error({ cause }, 'e-mails could not be sent'))
    }
  })().finally(() => delete sender.sending)
  return sender.sending
}

async function sendAll(db: Catalogue): Promise<void> {
  await noteLost(db)
  const offices = new Map<string, Promise<Office>>()
  try {
    for (let due = await takeOne(db); due; due = await takeOne(db)) {
      const { book_id: book } = due
      const office = offices.get(book) ?? officeFor(db, book)
      offices.set(book, office)
      await sendOne(db, due, office)
    }
  } finally {
    for (const office of offices.values())
      await office.then(({ transport }) => transport.close()).catch(() => undefined)
  }
}

const mailsOf = ({ catalogue }: Catalogue) => `\`${catalogue}\`.mails`
const earlier = (minutes: number) => stamp(new Date(Date.now() - minutes * 60_000))

/** What was on its way when a server was stopped: it may have gone out, or not, and is not sent a second time unasked. */
const noteLost = (db: Catalogue) =>
  run(db, `UPDATE ${mailsOf(db)} SET state = 'unsure' WHERE state = 'going' AND at < ?`, [earlier(longest)])

/** The next that is due, noted as on its way. Several servers never take the same. */
const takeOne = (db: Catalogue): Promise<Due | undefined> =>
  transact(db, async (transaction) => {
    const [due] = await select<Due>(
      db,
      `SELECT id, book_id, receivers, subject, message, file_name, tries FROM ${mailsOf(db)}
       WHERE state = 'waiting' AND at <= ? ORDER BY at, id LIMIT 1 FOR UPDATE SKIP LOCKED`,
      [stamp()],
      transaction,
    )
    if (due)
      await run(
        db,
        `UPDATE ${mailsOf(db)} SET state = 'going', at = ?, tries = tries + 1 WHERE id = ?`,
        [stamp(), due.id],
        transaction,
      )
    return due
  })

interface Office {
  readonly transport: Transporter
  readonly from: { readonly name: string; readonly address: string }
}

/** Where messages are from when nobody has said. */
export const usualSender = 'office@hearth-table.example'

async function officeFor(db: Catalogue, book: string): Promise<Office> {
  const set = await postOfficeOf(db, book)
  const from = { name: set?.senderName ?? '', address: set?.senderAddress ?? usualSender }
  if (!set?.real) {
    const transport = createTransport({
      ...{ host: '127.0.0.1', port: await standIn(db), secure: false, ignoreTLS: true, pool: true, maxConnections: 1 },
      ...{ auth: { user: book, pass: 'loopback' }, ...patience },
    })
    return { transport, from }
  }
  const { host, port, safety, user } = set.real
  const pass = set.sealed === undefined ? '' : ((await openedPassword(set.sealed)) ?? '')
  const transport = createTransport({
    ...{ host, port, secure: safety === 'tls', requireTLS: safety === 'agreed', ignoreTLS: safety === 'none' },
    ...{ pool: true, maxConnections: 1, ...patience, ...(user && { auth: { user, pass } }) },
  })
  return { transport, from }
}

/** Sends an e-mail that was noted as on its way, and notes what came of it. */
async function sendOne(db: Catalogue, due: Due, at: Promise<Office>): Promise<void> {
  const { id, book_id: book, subject, message, file_name: fileName } = due
  const note = (state: string, why: string | null, when: string, sender: string | null = null) =>
    run(
      db,
      `UPDATE ${mailsOf(db)} SET state = ?, why = ?, at = ?, sender = COALESCE(?, sender) WHERE id = ? AND state = 'going'`,
      [state, why?.slice(0, 400) ?? null, when, sender, id],
    )
  try {
    const { transport, from } = await at
    const pdf = fileName === null ? undefined : await mailPdf(db, book, id)
    if (fileName !== null && !pdf) return void (await note('refused', 'What goes with it is gone.', stamp()))
    const { rejected } = (await transport.sendMail({
      from,
      to: (JSON.parse(due.receivers) as string[]).map((address) => ({ name: '', address })),
      subject,
      text: message,
      // The same each time it is tried, so that whoever gets it twice sees it once.
      messageId: `<${id}@${from.address.split('@')[1] ?? 'hearth-table.example'}>`,
      disableFileAccess: true,
      disableUrlAccess: true,
      ...(pdf && {
        attachments: [{ filename: fileName ?? 'document.pdf', content: pdf, contentType: 'application/pdf' }],
      }),
    })) as { rejected?: readonly string[] }
    const not = rejected?.length ? `The post office doesn’t take it to ${rejected.join(', ')}.` : null
    await note('sent', not, stamp(), sayAddress(from))
  } catch (cause) {
    const { why, isForGood } = troubleIn(cause)
    const pause = isForGood ? undefined : pauses[Number(due.tries)]
    if (pause === undefined) await note('refused', why, stamp())
    else await note('waiting', why, earlier(-pause))
  }
}

/** What a post office says, and whether it would say so again. */
function troubleIn(cause: unknown): { readonly why: string; readonly isForGood: boolean } {
  const { code, responseCode, response } = cause as { code?: string; responseCode?: number; response?: string }
  if (response !== undefined && responseCode !== undefined)
    return { why: `The post office says: ${response}`, isForGood: responseCode >= 500 }
  if (code === 'EAUTH') return { why: 'The post office doesn’t accept the user and the password.', isForGood: true }
  if (code === 'EENVELOPE') return { why: 'The post office doesn’t accept the addresses.', isForGood: true }
  const known: Readonly<Record<string, string>> = {
    ECONNREFUSED: 'No post office answers at this address.',
    ESOCKET: 'No post office answers at this address, or the connection isn’t safe.',
    EDNS: 'There is no machine of this name.',
    ENOTFOUND: 'There is no machine of this name.',
    ETIMEDOUT: 'The post office took too long to answer.',
    ETLS: 'The connection can’t be made safe.',
  }
  return { why: known[code ?? ''] ?? 'The post office can’t be reached.', isForGood: false }
}
