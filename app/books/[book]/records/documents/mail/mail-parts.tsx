'use client'

import { Paperclip } from 'lucide-react'
import type { ReactNode } from 'react'
import { classNames } from '@/ui/kit'

interface Beside {
  readonly id: string
  readonly head: string
  readonly under: ReactNode
  /** It stands back: nothing comes of it. */
  readonly isBack?: boolean
}

interface BesideProps {
  readonly label: string
  readonly all: readonly Beside[]
  readonly shown: string
  readonly onShow: (id: string) => void
}

/** Several e-mails, each to be looked at beside them. */
export const MailsBeside = ({ label, all, shown, onShow }: BesideProps) => (
  <ul
    aria-label={label}
    className="w-[280px] flex-none overflow-y-auto border-r border-ash-3 py-2 max-md:max-h-44 max-md:w-full max-md:border-r-0 max-md:border-b"
  >
    {all.map(({ id, head, under, isBack }) => (
      <li key={id}>
        <button
          type="button"
          aria-current={id === shown ? 'true' : undefined}
          onClick={() => onShow(id)}
          className={classNames(
            'flex w-full flex-col px-4 py-1.5 text-left focus-visible:-outline-offset-2',
            id === shown ? 'bg-ash-2' : 'hover:bg-ash-1',
            isBack && 'text-ash-6',
          )}
        >
          <span className={classNames('[overflow-wrap:anywhere]', !isBack && 'font-semibold')}>{head}</span>
          <span className="text-[13px] text-ash-6 [overflow-wrap:anywhere]">{under}</span>
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
