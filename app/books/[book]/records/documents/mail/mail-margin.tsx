'use client'

import Link from 'next/link'
import type { Table, Template } from '@/core/book'
import { counted, inSentence, listed } from '@/core/words'
import type { MailToCome } from '@/server/reports'
import { Note, TickBox } from '@/ui/kit'
import { useRecords } from '../../records-context'
import type { Sender } from '../sender-of'

interface Props {
  readonly table: Table
  readonly template: Template
  readonly mails: readonly MailToCome[]
  /** Where addresses are looked for. */
  readonly where: string
  readonly going: readonly MailToCome[]
  readonly sender: Sender
  /** Whoever had it already gets it again. */
  readonly again: boolean
  readonly onAgain: (again: boolean) => void
}

/** So many are named. */
const mostNamed = 5

const named = (some: readonly MailToCome[]): string => {
  const names = some.slice(0, mostNamed).map(({ label }) => label)
  return some.length > mostNamed ? `${names.join(', ')} and ${some.length - mostNamed} more` : listed(names)
}

/** Who gets an e-mail and who doesn't, and by which post office it goes. */
export function MailMargin({ table, template, mails, where, going, sender, again, onAgain }: Props) {
  const { base, role, mayChange } = useRecords()
  const noun = inSentence(table.name)
  const without = mails.filter(({ to }) => to.length === 0)
  const before = mails.filter((one) => one.to.length > 0 && one.before !== undefined)
  return (
    <>
      {going.length > 0 && (
        <Note mark="fine" head={counted(going.length, 'e-mail')}>
          {template.handed
            ? `Each is handed out with it${template.handed.numbered ? ' and gets its number' : ''}: what is sent is kept as it is.`
            : 'What is sent is kept with the record.'}
        </Note>
      )}
      {without.length > 0 && (
        <Note mark="look" head={`${counted(without.length, noun)} without an address`}>
          {where} is empty for {named(without)}: nothing is sent there. Fill it in, or print the document.
        </Note>
      )}
      {before.length > 0 && (
        <Note mark="look" head={`${counted(before.length, noun)} had it before`}>
          <span className="block pb-1">{named(before)}.</span>
          <TickBox id="mail-again" checked={again} label="Send it to them again" onChange={onAgain} />
        </Note>
      )}
      <PostNote sender={sender} mayChange={role === 'administrator'} base={base} />
      {mayChange && !template.mail && (
        <Note mark="info" head="Laid out by the program">
          To say something else, write the document yourself and put “E-mail” into it.
        </Note>
      )}
    </>
  )
}

interface PostProps {
  readonly sender: Sender
  readonly mayChange: boolean
  readonly base: string
}

/** Where e-mails go. */
const PostNote = ({ sender: { host }, mayChange, base }: PostProps) => (
  <Note
    mark="info"
    head={host ? `By ${host}` : 'By the post office that comes with the program'}
    actions={
      <Link
        href={`${base}/documents/post`}
        className="inline-flex min-h-7 items-center px-1 font-semibold text-spruce underline underline-offset-2"
      >
        {mayChange ? 'Set it up' : 'Look at it'}
      </Link>
    }
  >
    {host
      ? 'What is sent goes out to people.'
      : 'For trying: nothing leaves this machine. It shows what it took in, as people would get it.'}
  </Note>
)
