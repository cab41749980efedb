'use client'

import { Paperclip } from 'lucide-react'
import type { ReactNode } from 'react'
import type { MailToCome } from '@/server/reports'
import { classNames } from '@/ui/kit'
import { sayMade } from '../handed/say-made'

interface BesideProps {
  /** Where addresses are looked for. */
  readonly where: string
  readonly mails: readonly MailToCome[]
  readonly shown: string
  readonly going: ReadonlySet<string>
  readonly onShow: (ref: string) => void
}

/** All of them, each to be looked at; those that are not sent say why. */
export const MailsBeside = ({ where, mails, shown, going, onShow }: BesideProps) => (
  <ul
    aria-label="E-mails"
    className="w-[260px] flex-none overflow-y-auto border-r border-ash-3 py-2 max-md:max-h-40 max-md:w-full max-md:border-r-0 max-md:border-b"
  >
    {mails.map(({ ref, label, to, before }) => (
      <li key={ref}>
        <button
          type="button"
          aria-current={ref === shown ? 'true' : undefined}
          onClick={() => onShow(ref)}
          className={classNames(
            'flex w-full flex-col px-4 py-1.5 text-left focus-visible:-outline-offset-2',
            ref === shown ? 'bg-ash-2 font-semibold' : 'hover:bg-ash-1',
            !going.has(ref) && 'text-ash-6',
          )}
        >
          <span className="[overflow-wrap:anywhere]">{label}</span>
          <span className="text-[13px] font-normal text-ash-6 [overflow-wrap:anywhere]">
            {to.length === 0
              ? `${where} is empty`
              : before !== undefined && !going.has(ref)
                ? `had it ${sayMade(before)}`
                : to.join(', ')}
          </span>
        </button>
      </li>
    ))}
  </ul>
)

interface MailProps {
  readonly from: string
  readonly to: readonly string[]
  readonly subject: string
  readonly text: string
  readonly file: ReactNode
  /** Said in place of an address where there is none. */
  readonly none?: string
}

/** An e-mail as whoever gets it sees it. */
export const OneMail = ({ from, to, subject, text, file, none }: MailProps) => (
  <article aria-label="The e-mail" className="min-w-0 flex-1 overflow-y-auto px-6 py-4 max-md:px-3">
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[13px] [overflow-wrap:anywhere]">
      <dt className="text-ash-6">From</dt>
      <dd>{from}</dd>
      <dt className="text-ash-6">To</dt>
      <dd>{to.length > 0 ? to.join(', ') : <span className="text-ember">{none}</span>}</dd>
      {file !== undefined && (
        <>
          <dt className="text-ash-6">With it</dt>
          <dd className="flex items-center gap-1">
            <Paperclip size={13} aria-hidden /> {file}
          </dd>
        </>
      )}
    </dl>
    <h2 className="mt-4 border-b border-ash-3 pb-2 text-[17px] font-semibold [overflow-wrap:anywhere]">{subject}</h2>
    <p className="mt-3 max-w-[68ch] whitespace-pre-wrap [overflow-wrap:anywhere]">{text}</p>
  </article>
)
