'use client'

import { useState } from 'react'
import type { RealOffice, Received } from '@/server/post'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { sayMade } from '../handed/say-made'
import { MailsBeside, OneMail } from '../mail/mail-parts'
import { PostChoices } from './post-choices'

interface Props {
  readonly senderName: string
  readonly senderAddress: string
  readonly real: RealOffice | undefined
  readonly hasPassword: boolean
  readonly maySet: boolean
  readonly received: readonly Received[]
  readonly refusedDomain: string
}

/** Who e-mails are from and by which post office they go; what the one that comes with the program took in. */
export function PostSheet({ received, refusedDomain, ...set }: Props) {
  const { base } = useRecords()
  const [chosen, setChosen] = useState<string>()
  const shown = received.find(({ id }) => id === chosen) ?? received[0]
  return (
    <Room bare marginLabel="How e-mails are sent" margin={<PostChoices {...set} />}>
      <div className="flex h-full flex-col">
        <header className="px-6 pt-4 pb-3 max-md:px-3">
          <h1 className="text-[22px] leading-tight">Post office</h1>
          <p className="max-w-[70ch] pt-1 text-[13px] text-ash-6">
            {set.real
              ? `E-mails go out by ${set.real.host}. This is what the post office that comes with the program took in before.`
              : `What the post office that comes with the program took in, as people would get it. Nothing leaves this machine; addresses at ${refusedDomain} are refused, to see what comes of that.`}
          </p>
        </header>
        {!shown && (
          <div className="px-6">
            <Empty head="Nothing came in yet">
              What is sent by the post office that comes with the program is here.
            </Empty>
          </div>
        )}
        {shown && (
          <div className="flex min-h-0 flex-1 border-t border-ash-3 max-md:flex-col">
            <MailsBeside
              label="What came in"
              all={received.map(({ id, to, subject, at }) => ({
                id,
                head: subject || 'About nothing',
                under: (
                  <>
                    {to} · <span suppressHydrationWarning>{sayMade(at)}</span>
                  </>
                ),
              }))}
              shown={shown.id}
              onShow={setChosen}
            />
            <OneMail
              from={shown.from}
              to={[shown.to]}
              subject={shown.subject}
              text={shown.text}
              file={
                <a
                  href={`${base}/documents/post/${shown.id}`}
                  className="rounded-sm font-semibold text-spruce underline underline-offset-2"
                >
                  {[...shown.files.map(({ name }) => name), 'the whole message as a file'].join(', ')}
                </a>
              }
            />
          </div>
        )}
      </div>
    </Room>
  )
}
