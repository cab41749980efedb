'use client'

import { Stamp } from 'lucide-react'
import { useRouter } from 'next/navigation'
import Link from 'next/link'
import { useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import type { Template } from '@/core/book'
import { notedIn } from '@/core/reports'
import { counted, listed, wordProblem } from '@/core/words'
import { Button, Note } from '@/ui/kit'
import { useRecords } from '../records-context'
import { handOutDocument } from './actions'
import { sentOf, type WrittenFor } from './hand-out-of'

interface ButtonProps {
  readonly template: Template
  readonly of: WrittenFor
  readonly onHandedOut: (papers: readonly string[]) => void
}

/** Hands out what is seen: from then on it is kept as it is. */
export function HandOutButton({ template, of, onHandedOut }: ButtonProps) {
  const { id, mayChange } = useRecords()
  const router = useRouter()
  const [busy, setBusy] = useState(false)
  const handOut = async () => {
    setBusy(true)
    const sent = sentOf(of)
    const made = await answered(
      handOutDocument(id, {
        document: template.id,
        of: 'refs' in sent ? { refs: [...sent.refs] } : sent,
      }),
    )
    setBusy(false)
    if (!made.ok) return void toast(wordProblem(made.problem))
    onHandedOut(made.value)
    router.refresh()
  }
  return (
    <Button look="main" disabled={busy || !mayChange} onClick={() => void handOut()}>
      <Stamp size={15} aria-hidden /> {busy ? 'Handing out …' : 'Hand out'}
    </Button>
  )
}

/** That nothing was handed out yet. */
export function NotYet({ template }: { readonly template: Template }) {
  const { book, mayChange } = useRecords()
  const { field } = notedIn(book, template)
  const more = [
    ...(template.handed?.numbered ? ['gives it its number'] : []),
    ...(field ? [`notes the day in ${field.name} where that is blank`] : []),
  ]
  return (
    <Note mark="info" head="Not handed out yet">
      {mayChange
        ? `This is what it will say. Handing it out ${listed(['keeps it as it is', ...more])}; then it is printed or taken as a file.`
        : 'Staff and administrators hand it out; then it is kept as it is.'}
    </Note>
  )
}

/** That it was. */
export function HandedOut({ papers }: { readonly papers: readonly string[] }) {
  const { base } = useRecords()
  const [only] = papers
  return (
    <Note
      mark="fine"
      head={papers.length === 1 ? 'Handed out' : `${counted(papers.length, 'paper')} handed out`}
      actions={
        <Link
          href={papers.length === 1 ? `${base}/documents/handed/${only}` : `${base}/documents/handed`}
          className="inline-flex min-h-7 items-center px-1 font-semibold text-spruce underline underline-offset-2"
        >
          Where {papers.length === 1 ? 'it is' : 'they are'} kept
        </Link>
      }
    >
      This is the original. Whoever opens it later sees a copy, marked as one.
    </Note>
  )
}
