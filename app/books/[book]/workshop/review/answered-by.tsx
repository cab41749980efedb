'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { findTable } from '@/core/book'
import { listOfQuestion, nameOf } from '@/core/lists'
import { WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { keepTrail } from '../../records/lists/trail'
import { useWorkshop } from '../workshop-context'

interface Props {
  readonly question: string
  /** The table that it begins with. */
  readonly table: string
  /** The links of the way that it takes; none where it isn't chosen yet. */
  readonly links: readonly string[] | undefined
}

/** Which kept lists answer a question; where none does, one is begun from its words and its way. */
export function AnsweredBy({ question, table, links }: Props) {
  const { book, id, opened } = useWorkshop()
  const router = useRouter()
  const base = `/books/${id}/records`
  const kept = book.lists.filter(({ answers, owner }) => owner === undefined && answers === question.slice(0, 300))
  if (kept.length > 0)
    return (
      <p>
        Answered by the list{' '}
        {kept.map((list, at) => (
          <span key={list.id}>
            {at > 0 && ', '}
            <Link href={`${base}/lists/${list.id}`} className="font-semibold text-spruce underline underline-offset-2">
              {nameOf(book, list)}
            </Link>
          </span>
        ))}
        .
      </p>
    )
  if (!links || !findTable(book, table)) return null
  if (!opened.everOpened) return <p>Once the book is open, a list can answer it.</p>
  const begin = () => {
    const back = `${base}/lists/new?of=${table}&back=1`
    if (keepTrail(base, { list: listOfQuestion(book, { text: question, table, links }, freshId()), given: {}, back }))
      router.push(back)
  }
  return (
    <p>
      No list answers it yet. <WordButton onClick={begin}>Make a list from it</WordButton>
    </p>
  )
}
