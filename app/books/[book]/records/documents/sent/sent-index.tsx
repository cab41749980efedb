'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { findTable } from '@/core/book'
import { counted, inSentence, wordProblem } from '@/core/words'
import type { Mail, MailState } from '@/server/post'
import { Button, buttonLook, Empty, TextBox } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { useSettled } from '../../use-settled'
import { sayMade } from '../handed/say-made'
import { takeMailsBack } from '../mail/actions'
import { StateTag } from './mail-state'
import { useLooking } from './use-looking'

interface Props {
  readonly mails: readonly Mail[]
  readonly counts: Partial<Record<MailState, number>>
  readonly find: string
}

/** What was sent, and what waits, the newest first. */
export function SentIndex({ mails, counts, find }: Props) {
  const { id, book, base, mayChange } = useRecords()
  const router = useRouter()
  const [typed, setTyped] = useState(find)
  const settled = useSettled(typed.trim(), 300)
  useEffect(() => {
    if (settled !== find) router.replace(`${base}/documents/sent?${new URLSearchParams({ find: settled })}`)
  }, [settled, find, router, base])
  const waiting = (counts.waiting ?? 0) + (counts.going ?? 0)
  useLooking(waiting > 0)
  const takeBack = async () => {
    const taken = await answered(takeMailsBack(id, {}))
    toast(taken.ok ? `${counted(taken.value, 'e-mail')} taken back.` : wordProblem(taken.problem))
    router.refresh()
  }
  return (
    <Room>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[22px] leading-tight">E-mails</h1>
        <div className="flex flex-wrap items-center gap-2">
          <Link href={`${base}/documents/post`} className={buttonLook()}>
            Post office
          </Link>
          <div className="w-[260px]">
            <TextBox
              type="search"
              aria-label="Find an e-mail"
              placeholder="Whom to, what about, a record…"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
            />
          </div>
        </div>
      </div>
      {waiting > 0 && (
        <p role="status" className="mb-3 flex flex-wrap items-center gap-3 rounded-md bg-brass-tint px-3 py-2">
          {counted(waiting, 'e-mail')} {waiting === 1 ? 'waits' : 'wait'} to be sent.
          {mayChange && (counts.waiting ?? 0) > 0 && <Button onClick={() => void takeBack()}>Take them back</Button>}
        </p>
      )}
      {mails.length === 0 && (
        <Empty head={find ? 'Nothing is called so' : 'Nothing was sent yet'}>
          {find
            ? 'Look for other letters.'
            : 'Choose “Hand out” on a record, on marked ones or on a list, and then “E-mail”: what is sent is here.'}
        </Empty>
      )}
      {mails.length > 0 && (
        <ul className="border-t border-ash-3">
          {mails.map((mail) => (
            <li key={mail.id} className="border-b border-ash-3">
              <Link href={`${base}/documents/sent/${mail.id}`} className="block px-2 py-2 hover:bg-ash-1">
                <span className="block font-semibold [overflow-wrap:anywhere]">
                  {mail.subject} <StateTag state={mail.state} />
                </span>
                <span className="block text-[13px] text-ash-6 [overflow-wrap:anywhere]">
                  To {mail.to.join(', ')} · for {inSentence(findTable(book, mail.table)?.name ?? 'record')} {mail.label}{' '}
                  · <span suppressHydrationWarning>{sayMade(mail.madeAt)}</span> · {mail.by}
                </span>
                {mail.why && <span className="block text-[13px] text-ember">{mail.why}</span>}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </Room>
  )
}
