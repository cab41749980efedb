'use client'

import Link from 'next/link'
import { needsMetBy } from '@/core/needs'
import { counted, listed } from '@/core/words'
import { Note } from '@/ui/kit'
import { useWorkshop } from './workshop-context'

/** The margin's note on which needs the thing on the sheet meets. */
export function NeedsMet({ part, noun }: { readonly part: string; readonly noun: string }) {
  const { id, book } = useWorkshop()
  if (book.needs.length === 0) return null
  const met = needsMetBy(book, part)
  if (met.length === 0) {
    return (
      <Note mark="look" head={`No need asks for this ${noun}`} actions={<ToNeeds id={id} />}>
        Tick it in Needs for what it meets, or ask whether the office needs it.
      </Note>
    )
  }
  const numbers = met.map(({ number }) => String(number))
  return (
    <Note mark="fine" head={`Meets ${met.length === 1 ? 'need' : 'needs'} ${listed(numbers)}`}>
      <ul className="mt-0.5 flex flex-col gap-1">
        {met.slice(0, 4).map(({ number, need }) => (
          <li key={need.id}>
            {number}. {need.text}
          </li>
        ))}
        {met.length > 4 && <li>and {met.length - 4} more</li>}
      </ul>
    </Note>
  )
}

const ToNeeds = ({ id }: { readonly id: string }) => (
  <Link
    href={`/books/${id}/workshop/needs`}
    className="inline-flex min-h-7 items-center px-1 font-semibold text-spruce underline underline-offset-2"
  >
    Go to Needs
  </Link>
)

/** How many needs are not met, for the margins of chapters that show the whole book. */
export function UnmetNote() {
  const { id, book, coverage } = useWorkshop()
  if (book.needs.length === 0 || !coverage) return null
  const unmet = coverage.filter(({ state }) => state === 'not').length
  const part = coverage.filter(({ state }) => state === 'part').length
  if (unmet + part === 0) return <Note mark="fine" head="Every need is met" />
  const open = unmet > 0 ? sayNeeds(unmet, 'not met yet') : sayNeeds(part, 'met in part')
  return (
    <Note mark="look" head={unmet > 0 && part > 0 ? `${open}, ${part} in part` : open} actions={<ToNeeds id={id} />} />
  )
}

const sayNeeds = (many: number, how: string) => `${counted(many, 'need')} ${many === 1 ? 'is' : 'are'} ${how}`
