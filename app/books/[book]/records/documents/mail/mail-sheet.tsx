'use client'

import { Send } from 'lucide-react'
import Link from 'next/link'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { useQuery } from '@tanstack/react-query'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { findTable, type Table, type Template } from '@/core/book'
import { counted, wordProblem } from '@/core/words'
import type { MailsToCome, MailToCome } from '@/server/reports'
import { Button, buttonLook, Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { documentOf } from '../documents-of'
import { sayMade } from '../handed/say-made'
import { outPath, sentOf, type WrittenFor } from '../hand-out-of'
import { sayFor } from '../out-parts'
import type { Sender } from '../sender-of'
import { useWrittenFor } from '../use-written-for'
import { askMails, sendMails } from './actions'
import { MailMargin } from './mail-margin'
import { MailsBeside, OneMail } from './mail-parts'

/** E-mails as they will be sent: looked at one by one, then sent. */
export function MailSheet({ sender }: { readonly sender: Sender }) {
  const { book, base } = useRecords()
  const query = useSearchParams()
  const table = findTable(book, query.get('table') ?? '')
  const template = table && documentOf(book, table.id, query.get('document') ?? '')
  const of = useWrittenFor(base, table?.id ?? '')
  if (table && template && of)
    return <Mails key={template.id} table={table} template={template} of={of} sender={sender} />
  return (
    <Room>
      <h1 className="sr-only">E-mail</h1>
      <Empty head={template ? 'For which records?' : 'There is no such document'}>
        Open a record, or mark some in a list, choose “Hand out” there, and then “E-mail”.
      </Empty>
    </Room>
  )
}

interface Props {
  readonly table: Table
  readonly template: Template
  readonly of: WrittenFor
  readonly sender: Sender
}

/** What would be sent, asked once; it changes only when somebody asks anew. */
function useMails({ table, template, of }: Omit<Props, 'sender'>) {
  const { id } = useRecords()
  const sent = sentOf(of)
  const wish = {
    table: table.id,
    document: template.id,
    of: 'refs' in sent ? { refs: [...sent.refs] } : { list: sent.list, given: { ...sent.given } },
  }
  const asked = useQuery({
    queryKey: ['mails', id, JSON.stringify(wish), JSON.stringify(template)],
    queryFn: () => answered(askMails(id, wish)),
    retry: false,
    staleTime: 0,
    gcTime: 0,
    refetchOnWindowFocus: false,
  })
  return { wish, asked }
}

/** Who it goes to, or why it doesn't go. */
function besideOf({ ref, label, to, before }: MailToCome, where: string, isGoing: boolean) {
  const why = to.length === 0 ? `${where} is empty` : before !== undefined && `had it ${sayMade(before)}`
  return { id: ref, head: label, under: isGoing ? to.join(', ') : why, isBack: !isGoing }
}

const sendWords = (many: number): string =>
  many === 0 ? 'Send' : many === 1 ? 'Send it' : `Send ${counted(many, 'e-mail')}`

const nothing: MailsToCome = { mails: [], where: '', file: undefined, asOf: '' }

function Mails({ table, template, of, sender }: Props) {
  const { id, base } = useRecords()
  const router = useRouter()
  const { wish, asked } = useMails({ table, template, of })
  const [chosen, setChosen] = useState<string>()
  const [again, setAgain] = useState(false)
  const [busy, setBusy] = useState(false)
  const { mails, where, file, asOf } = asked.data?.ok ? asked.data.value : nothing
  const isGoing = ({ to, before }: MailToCome) => to.length > 0 && (again || before === undefined)
  const going = mails.filter(isGoing)
  const shown = mails.find(({ ref }) => ref === chosen) ?? going[0] ?? mails[0]
  const send = async () => {
    setBusy(true)
    const made = await answered(sendMails(id, { ...wish, only: going.map(({ ref }) => ref), asOf }))
    setBusy(false)
    if (!made.ok) {
      toast(wordProblem(made.problem))
      return void asked.refetch()
    }
    toast(`${counted(made.value, 'e-mail')} on the way.`)
    router.push(`${base}/documents/sent`)
  }
  return (
    <Room
      bare
      marginLabel="What is sent"
      margin={<MailMargin {...{ table, template, mails, where, going, sender, again }} onAgain={setAgain} />}
    >
      <div className="flex h-full flex-col">
        <header className="flex flex-wrap items-start justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
          <div className="flex min-w-0 flex-1 basis-60 flex-wrap items-baseline gap-x-3">
            <h1 className="min-w-0 text-[22px] leading-tight [overflow-wrap:anywhere]">E-mail: {template.name}</h1>
            <span role="status" className="text-[13px] text-ash-6">
              {asked.isPending ? 'Writing …' : sayFor(of, table)}
            </span>
          </div>
          <div className="flex flex-wrap gap-2">
            <Link href={outPath(base, { ...wish, ...(of.kind === 'record' && of) })} className={buttonLook()}>
              The document
            </Link>
            <Button look="main" disabled={busy || going.length === 0} onClick={() => void send()}>
              <Send size={15} aria-hidden /> {busy ? 'Sending …' : sendWords(going.length)}
            </Button>
          </div>
        </header>
        {asked.data && !asked.data.ok && (
          <div className="px-6">
            <Empty head="It can’t be sent like this">{wordProblem(asked.data.problem)}</Empty>
          </div>
        )}
        {shown && (
          <div className="flex min-h-0 flex-1 border-t border-ash-3 max-md:flex-col">
            {mails.length > 1 && (
              <MailsBeside
                label="E-mails"
                all={mails.map((mail) => besideOf(mail, where, isGoing(mail)))}
                shown={shown.ref}
                onShow={setChosen}
              />
            )}
            <OneMail
              from={sender.from}
              to={shown.to}
              subject={shown.subject}
              text={shown.text}
              file={file}
              none={`${where} is empty.`}
            />
          </div>
        )}
      </div>
    </Room>
  )
}
