'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { findTable } from '@/core/book'
import { inSentence, wordProblem } from '@/core/words'
import type { Mail, MailState } from '@/server/post'
import { Button, Note } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { sayMade } from '../handed/say-made'
import { sendMailAgain, takeMailsBack } from '../mail/actions'
import { OneMail } from '../mail/mail-parts'
import type { Sender } from '../sender-of'
import { useLooking } from './use-looking'

interface Props {
  readonly mail: Mail & { readonly text: string; readonly paper: string | undefined }
  readonly sender: Sender
}

const marks: Readonly<Record<MailState, 'fine' | 'look' | 'settle' | 'info'>> = {
  waiting: 'info',
  going: 'info',
  sent: 'fine',
  refused: 'settle',
  back: 'look',
  unsure: 'look',
}

function headOf({ state, at }: Mail): string {
  switch (state) {
    case 'waiting':
      return 'Waits to be sent'
    case 'going':
      return 'On its way'
    case 'sent':
      return `Sent ${sayMade(at)}`
    case 'refused':
      return 'Not sent'
    case 'back':
      return 'Taken back'
    case 'unsure':
      return 'Perhaps sent'
  }
}

function bodyOf({ state, why, tries, at }: Mail): string {
  const tried = tries === 1 ? 'It was tried once.' : `It was tried ${tries} times.`
  switch (state) {
    case 'waiting':
      return tries === 0 ? 'It goes out within moments.' : `${why ?? ''} ${tried} Next time: ${sayMade(at)}.`
    case 'going':
      return 'It is being given to the post office.'
    case 'sent':
      return why ?? 'The post office took it.'
    case 'refused':
      return `${why ?? ''} ${tried}`
    case 'back':
      return 'It was taken back before it went out.'
    case 'unsure':
      return 'The program was stopped while it was being sent: it may have gone out, or not. Ask whoever should have it before you send it again.'
  }
}

/** An e-mail that was sent, or waits. */
export function SentMail({ mail, sender }: Props) {
  const { id, book, base, mayChange } = useRecords()
  const router = useRouter()
  const { state, table, ref, label, by, madeAt, file } = mail
  useLooking(state === 'waiting' || state === 'going')
  const noun = inSentence(findTable(book, table)?.name ?? 'record')
  const act = async (work: ReturnType<typeof sendMailAgain | typeof takeMailsBack>) => {
    const done = await answered<unknown>(work)
    if (!done.ok) toast(wordProblem(done.problem))
    router.refresh()
  }
  const mayAgain = state === 'refused' || state === 'unsure' || state === 'back'
  return (
    <Room
      bare
      marginLabel="About this e-mail"
      margin={
        <>
          <Note mark={marks[state]} head={headOf(mail)}>
            {bodyOf(mail)}
          </Note>
          <Note
            mark="info"
            head={`Written ${sayMade(madeAt)}`}
            actions={
              <>
                <MarginLink href={`${base}/${table}/record/${encodeURIComponent(ref)}`}>To the {noun}</MarginLink>
                {mail.paper && (
                  <MarginLink href={`${base}/documents/handed/${mail.paper}`}>What was handed out</MarginLink>
                )}
              </>
            }
          >
            By {by}, for {noun} {label}.
          </Note>
        </>
      }
    >
      <div className="flex h-full flex-col">
        <header className="flex flex-wrap items-start justify-between gap-3 border-b border-ash-3 px-6 pt-4 pb-3 max-md:px-3">
          <h1 className="min-w-0 flex-1 basis-60 text-[22px] leading-tight [overflow-wrap:anywhere]">
            E-mail: {mail.name}
          </h1>
          {mayChange && mayAgain && (
            <Button look="main" onClick={() => void act(sendMailAgain(id, { mail: mail.id }))}>
              Send it again
            </Button>
          )}
          {mayChange && state === 'waiting' && (
            <Button onClick={() => void act(takeMailsBack(id, { mail: mail.id }))}>Take it back</Button>
          )}
        </header>
        <OneMail
          from={mail.sender ?? sender.from}
          to={mail.to}
          subject={mail.subject}
          text={mail.text}
          file={
            file && (
              <a
                href={`${base}/documents/sent/${mail.id}/pdf`}
                className="rounded-sm font-semibold text-spruce underline underline-offset-2"
              >
                {file}
              </a>
            )
          }
        />
      </div>
    </Room>
  )
}

const MarginLink = ({ href, children }: { readonly href: string; readonly children: React.ReactNode }) => (
  <Link
    href={href}
    className="inline-flex min-h-7 items-center px-1 font-semibold text-spruce underline underline-offset-2"
  >
    {children}
  </Link>
)
