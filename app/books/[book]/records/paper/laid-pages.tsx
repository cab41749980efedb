'use client'

import type { PagePart } from '@/core/reports'
import { wordProblem } from '@/core/words'
import { Button, Empty } from '@/ui/kit'
import { Refused } from '../rows-query'
import { Pages } from './pages'
import type { useEdition } from './use-edition'

interface Props {
  readonly edition: ReturnType<typeof useEdition>
  readonly onSee: (page: number) => void
  /** The part of a page whose choices are beside it, where there are any. */
  readonly chosen?: PagePart | undefined
  readonly onChoose?: (part: PagePart) => void
}

/** The pages, or why there are none to see. */
export function LaidPages({ edition: { now, error, again }, ...shared }: Props) {
  const why = error
    ? error instanceof Refused
      ? error.message
      : 'The connection may have been lost for a moment.'
    : now?.problem && wordProblem(now.problem)
  if (!why) return now ? <Pages edition={now} {...shared} onAgain={again} /> : null
  return (
    <div className="px-6">
      <Empty head="The pages could not be laid" action={<Button onClick={again}>Try again</Button>}>
        {why}
      </Empty>
    </div>
  )
}
