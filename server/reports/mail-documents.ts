import { writeMail, withReadyMail, type Filled, type Said } from '@/core/reports'
import { fail, ok, type Result } from '@/core/words'
import { stamp } from '../clock'
import { transact, type Transaction } from '../database'
import { lastMailed, type Outgoing, putOut } from '../post'
import { NotLaid } from './work'
import { holdCounter } from './counters'
import { keepPapers, type Made, makePdfs } from './hand-out'
import { keepInOne } from './keep-in-one'
import { type HandingOut, ofThisShape, prepare, type Prepared } from './prepare'

/** An e-mail before it goes out. */
export interface MailToCome {
  readonly ref: string
  readonly label: string
  /** None where the record has no address. */
  readonly to: readonly string[]
  readonly subject: string
  readonly text: string
  /** When the same record had this last, or is about to; in UTC, as the database writes it. */
  readonly before: string | undefined
}

export interface MailsToCome {
  readonly mails: readonly MailToCome[]
  /** Where addresses are looked for, by its heading. */
  readonly where: string
  /** What goes with each; none where nothing does. */
  readonly file: string | undefined
  /** When it was looked who had the same before; in UTC, as the database writes it. */
  readonly asOf: string
}

/** The document with its e-mail, or with the one that goes with it where nothing else is said. */
function withMail(handing: HandingOut): Result<HandingOut> {
  const { writings } = handing
  const template = withReadyMail(writings.reads.live.book, writings.template)
  return template ? ok({ ...handing, writings: { ...writings, template } }) : fail({ kind: 'mail-nowhere' })
}

function written({ writings }: HandingOut, { read }: Prepared, filled: Filled, said: Said) {
  const { mail } = read.template
  if (!mail) throw new Error('Expected a document with an e-mail.')
  return writeMail({ book: writings.reads.live.book, read, filled, said }, mail)
}

/** What would be sent for some records. */
export const mailsToCome = (handing: HandingOut): Promise<Result<MailsToCome>> =>
  ofThisShape(handing, () => askMails(handing))

async function askMails(handing: HandingOut): Promise<Result<MailsToCome>> {
  const mailing = withMail(handing)
  if (!mailing.ok) return mailing
  const found = await prepare(mailing.value, 'sent')
  if (!found.ok) return found
  const { all, read } = found.value
  const { db, book, writings } = mailing.value
  const asOf = stamp()
  const before = await lastMailed(
    db,
    book,
    writings.template.id,
    all.map(({ ref }) => ref),
  )
  return ok({
    asOf,
    where: read.columns.get(read.template.mail?.to ?? '')?.heading ?? '',
    file: read.template.mail?.attached && `${writings.template.name}.pdf`,
    mails: all.map((filled) => ({
      ref: filled.ref,
      label: filled.label,
      ...written(mailing.value, found.value, filled, saidBefore(handing)),
      before: before.get(filled.ref),
    })),
  })
}

/** As long as it has no number. */
const saidBefore = ({ writings }: HandingOut): Said => ({
  today: writings.answers.now.moment.slice(0, 10),
  who: writings.who,
  book: writings.reads.live.book.name,
})

/**
 * Puts the e-mails of some records where they wait to be sent, all of them or none. What keeps what is handed out is
 * handed out with it. Records without an address get neither.
 * @param only these records of them; all where it is undefined
 * @param asOf when whoever sends them looked who had the same before: what was sent since then is not sent again unasked
 * @returns how many
 */
export const mailDocuments = (handing: HandingOut, wish: MailWish = {}): Promise<Result<number>> =>
  ofThisShape(handing, () => putMails(handing, wish))

interface MailWish {
  readonly only?: ReadonlySet<string>
  readonly asOf?: string
}

async function putMails(handing: HandingOut, { only, asOf = stamp() }: MailWish): Promise<Result<number>> {
  const mailing = withMail(handing)
  if (!mailing.ok) return mailing
  const found = await prepare(mailing.value, 'sent')
  if (!found.ok) return found
  const { db, book, account, writings } = mailing.value
  const { template } = writings
  const all = found.value.all.filter(
    (filled) =>
      (only?.has(filled.ref) ?? true) && written(mailing.value, found.value, filled, saidBefore(handing)).to.length > 0,
  )
  if (all.length === 0) return fail({ kind: 'mail-none', name: template.name })
  const prepared = { ...found.value, all }
  const isAttached = template.mail?.attached === true
  const outgoing = ({ filled, said, title, pdf }: Omit<Made, 'pdf'> & { pdf?: Buffer }, paper?: string): Outgoing => ({
    template: template.id,
    name: template.name,
    table: template.table,
    ref: filled.ref,
    label: filled.label,
    ...written(mailing.value, prepared, filled, said),
    file: isAttached ? { name: `${title}.pdf`, ...(paper ? { paper } : pdf && { pdf }) } : undefined,
  })
  const put = async (mails: readonly Outgoing[], transaction: Transaction) => {
    // Whoever sends the same document at the same moment waits here, and then sees what went before. What is held counts
    // nothing; the row of the book itself would keep others from its design.
    await holdCounter(db, { book, template: template.id, period: 'mail' }, transaction)
    const refs = mails.map(({ ref }) => ref)
    const since = [...(await lastMailed(db, book, template.id, refs, transaction)).values()].filter((at) => at > asOf)
    if (since.length > 0) throw new NotLaid({ kind: 'mail-meanwhile', many: since.length })
    await putOut(db, book, account, mails, transaction)
  }
  if (template.handed) {
    const kept = await keepInOne(mailing.value, prepared, async (now, seen, transaction) => {
      const papers = await keepPapers(now, seen, transaction)
      await put(
        papers.map((paper) => outgoing(paper, paper.id)),
        transaction,
      )
    })
    return kept.ok ? ok(all.length) : kept
  }
  const mails: Outgoing[] = []
  if (isAttached)
    for await (const made of makePdfs(mailing.value, prepared, () => undefined)) mails.push(outgoing(made))
  else mails.push(...all.map((filled) => outgoing({ filled, said: saidBefore(handing), title: template.name })))
  await transact(db, (transaction) => put(mails, transaction))
  return ok(all.length)
}
