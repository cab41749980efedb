'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import { WordButton } from '@/ui/kit'
import { throwDryRunAway } from '../workshop/review/actions'

/** Says all the time that these records are scratch ones, and how to leave it. */
export function DryBanner({ id, of }: { readonly id: string; readonly of: string }) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const end = async () => {
    const gone = await answered(throwDryRunAway(id, null))
    if (!gone.ok) return setProblem(wordProblem(gone.problem))
    router.replace(`/books/${of}/workshop/review`)
  }
  return (
    <p className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-bright-brass bg-brass-tint px-6 py-1.5 max-md:px-3">
      <b className="text-brass">Dry run</b>
      <span>{problem ?? 'All records here are made up. Change what you like; nothing of it is kept.'}</span>
      <span className="flex gap-x-4">
        <Link
          href={`/books/${of}/workshop/review`}
          className="inline-flex min-h-7 items-center font-semibold text-spruce underline underline-offset-2"
        >
          Back to Review
        </Link>
        <WordButton onClick={() => void end()}>Throw it away</WordButton>
      </span>
    </p>
  )
}
