import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { containing, run, select, type Transaction } from '../database'
import { newId } from '../ids'

/**
 * What becomes of an e-mail: it waits, is on its way, was taken by the post office, was refused there, was taken back
 * while it waited; or the program was stopped while it was on its way, and nobody knows.
 */
export type MailState = 'waiting' | 'going' | 'sent' | 'refused' | 'back' | 'unsure'

/** An e-mail that goes out. */
export interface Outgoing {
  readonly template: string
  readonly name: string
  readonly table: string
  readonly ref: string
  readonly label: string
  readonly to: readonly string[]
  readonly subject: string
  readonly text: string
  /** What goes with it: a paper that was handed out, or a PDF of its own. */
  readonly file?: { readonly name: string; readonly paper?: string; readonly pdf?: Buffer } | undefined
}

/** An e-mail as it is told of. */
export interface Mail {
  readonly id: string
  readonly name: string
  readonly table: string
  readonly ref: string
  readonly label: string
  readonly to: readonly string[]
  readonly subject: string
  readonly state: MailState
  readonly why: string | undefined
  readonly tries: number
  /** In UTC, as the database writes it: when it was written, and when the last came of it. */
  readonly madeAt: string
  readonly at: string
  readonly by: string
  readonly file: string | undefined
  /** Who it was from, once it was given to the post office. */
  readonly sender: string | undefined
}

const mailsOf = ({ catalogue }: Catalogue) => `\`${catalogue}\`.mails`

/** Puts e-mails where they wait to be sent. */
export async function putOut(
  db: Catalogue,
  book: string,
  account: string,
  mails: readonly Outgoing[],
  transaction: Transaction,
): Promise<void> {
  for (const mail of mails) {
    const { template, name, table, ref, label, to, subject, text, file } = mail
    await run(
      db,
      `INSERT INTO ${mailsOf(db)} (id, book_id, template_id, name, table_id, ref, label, receivers, subject, message,
       file_name, paper_id, pdf, account_id, made_at, state, why, tries, at)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'waiting', NULL, 0, ?)`,
      [
        ...[newId(), book, template, name, table, ref, label.slice(0, 400), JSON.stringify(to)],
        ...[subject.slice(0, 400), text, file?.name.slice(0, 120) ?? null, file?.paper ?? null, file?.pdf ?? null],
        ...[account, stamp(), stamp()],
      ],
      transaction,
    )
  }
}

interface Row {
  readonly id: string
  readonly name: string
  readonly table_id: string
  readonly ref: string
  readonly label: string
  readonly receivers: string
  readonly subject: string
  readonly state: MailState
  readonly why: string | null
  readonly tries: number
  readonly made_at: string
  readonly at: string
  readonly by_name: string | null
  readonly file_name: string | null
  readonly sender: string | null
}

const columns = `m.id, m.name, m.table_id, m.ref, m.label, m.receivers, m.subject, m.state, m.why, m.tries, m.made_at, m.at,
  m.file_name, m.sender, a.name AS by_name`
const from = (db: Catalogue) => `${mailsOf(db)} m LEFT JOIN \`${db.catalogue}\`.accounts a ON a.id = m.account_id`

const mailOf = (row: Row): Mail => ({
  id: row.id,
  name: row.name,
  table: row.table_id,
  ref: row.ref,
  label: row.label,
  to: JSON.parse(row.receivers) as string[],
  subject: row.subject,
  state: row.state,
  why: row.why ?? undefined,
  tries: Number(row.tries),
  madeAt: row.made_at,
  at: row.at,
  by: row.by_name ?? 'somebody',
  file: row.file_name ?? undefined,
  sender: row.sender ?? undefined,
})

/** So many are told of a record, and of all. */
const mostOfOne = 50
const mostOfAll = 300

/** The e-mails of a record, the newest first. */
export async function mailsOfRecord(db: Catalogue, book: string, table: string, ref: string): Promise<Mail[]> {
  const rows = await select<Row>(
    db,
    `SELECT ${columns} FROM ${from(db)} WHERE m.book_id = ? AND m.table_id = ? AND m.ref = ?
     ORDER BY m.made_at DESC, m.id LIMIT ${mostOfOne}`,
    [book, table, ref],
  )
  return rows.map(mailOf)
}

/** The newest e-mails of all, with some letters in what they are about, to whom they go or what they are for. */
export async function newestMails(db: Catalogue, book: string, find: string): Promise<Mail[]> {
  const like = containing(find)
  const rows = await select<Row>(
    db,
    `SELECT ${columns} FROM ${from(db)}
     WHERE m.book_id = ? AND (m.subject LIKE ? OR m.receivers LIKE ? OR m.label LIKE ? OR m.name LIKE ?)
     ORDER BY m.made_at DESC, m.id LIMIT ${mostOfAll}`,
    [book, like, like, like, like],
  )
  return rows.map(mailOf)
}

/** How many of a book's e-mails are in which state. */
export async function mailCounts(db: Catalogue, book: string): Promise<Partial<Record<MailState, number>>> {
  const rows = await select<{ state: MailState; many: number }>(
    db,
    `SELECT state, COUNT(*) AS many FROM ${mailsOf(db)} WHERE book_id = ? GROUP BY state`,
    [book],
  )
  return Object.fromEntries(rows.map(({ state, many }) => [state, Number(many)]))
}

export async function findMail(
  db: Catalogue,
  book: string,
  id: string,
): Promise<(Mail & { readonly text: string; readonly paper: string | undefined }) | undefined> {
  const [row] = await select<Row & { message: string; paper_id: string | null }>(
    db,
    `SELECT ${columns}, m.message, m.paper_id FROM ${from(db)} WHERE m.book_id = ? AND m.id = ?`,
    [book, id],
  )
  return row && { ...mailOf(row), text: row.message, paper: row.paper_id ?? undefined }
}

/** What goes with an e-mail, byte by byte. */
export async function mailPdf(db: Catalogue, book: string, id: string): Promise<Buffer | undefined> {
  const [row] = await select<{ pdf: Buffer | null }>(
    db,
    `SELECT COALESCE(m.pdf, p.pdf) AS pdf FROM ${mailsOf(db)} m LEFT JOIN \`${db.catalogue}\`.papers p ON p.id = m.paper_id
     WHERE m.book_id = ? AND m.id = ?`,
    [book, id],
  )
  return row?.pdf ?? undefined
}

/** When some records last had an e-mail by a document, or are about to; those that were refused or taken back don't count. */
export async function lastMailed(
  db: Catalogue,
  book: string,
  template: string,
  refs: readonly string[],
  transaction?: Transaction,
): Promise<ReadonlyMap<string, string>> {
  if (refs.length === 0) return new Map()
  const rows = await select<{ ref: string; at: string }>(
    db,
    `SELECT ref, MAX(made_at) AS at FROM ${mailsOf(db)}
     WHERE book_id = ? AND template_id = ? AND state NOT IN ('refused', 'back') AND ref IN (${refs.map(() => '?').join(', ')})
     GROUP BY ref`,
    [book, template, ...refs],
    transaction,
  )
  return new Map(rows.map(({ ref, at }) => [ref, at]))
}

/** Has an e-mail that was refused, or of which nobody knows, sent again. Whether it was. */
export async function sendAgain(db: Catalogue, book: string, id: string): Promise<boolean> {
  const changed = await run(
    db,
    `UPDATE ${mailsOf(db)} SET state = 'waiting', why = NULL, tries = 0, at = ?
     WHERE book_id = ? AND id = ? AND state IN ('refused', 'unsure', 'back')`,
    [stamp(), book, id],
  )
  return changed > 0
}

/** Takes back what waits still. How many those were. */
export const takeBack = (db: Catalogue, book: string, id?: string): Promise<number> =>
  run(
    db,
    `UPDATE ${mailsOf(db)} SET state = 'back', at = ? WHERE book_id = ? AND state = 'waiting'${id === undefined ? '' : ' AND id = ?'}`,
    [stamp(), book, ...(id === undefined ? [] : [id])],
  )
