'use client'

import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { counted } from '@/core/words'
import { WordButton } from '@/ui/kit'
import { readsOfLists, type useListCount, type useListLines } from './use-list-lines'

interface Props {
  readonly lines: ReturnType<typeof useListLines>
  readonly count: ReturnType<typeof useListCount>
  readonly noun: string
}

/** From so many seconds on somebody may think better of it. */
const stopsFrom = 2

/** How many records a list has; while it is looked for, for how long already, and the way to stop. */
export function ListStatus({ lines, count, noun }: Props) {
  const queries = useQueryClient()
  const isLooking = lines.isFetching && !lines.isFetchingNextPage
  const seconds = useSeconds(isLooking)
  // What isn't looked for and isn't there was stopped; what is still shown is of the list as it was before.
  const isStopped = (lines.isPending || lines.isPlaceholderData) && lines.fetchStatus === 'idle'
  const stop = () => readsOfLists.forEach((name) => void queries.cancelQueries({ queryKey: [name] }))
  return (
    <p role="status" className="flex min-h-9 flex-wrap items-center gap-x-3 px-6 text-[13px] text-ash-6 max-md:px-3">
      {isLooking && seconds < stopsFrom && 'Looking …'}
      {isLooking && seconds >= stopsFrom && (
        <>
          <span>Looking for {seconds} seconds …</span>
          <WordButton onClick={stop}>Stop</WordButton>
        </>
      )}
      {!isLooking && isStopped && (
        <>
          <span>Stopped. {lines.isPlaceholderData && 'What stands here is from before.'}</span>
          <WordButton onClick={() => void lines.refetch()}>Look again</WordButton>
        </>
      )}
      {!isLooking && !isStopped && !lines.isError && sayCount(count, noun)}
    </p>
  )
}

function sayCount(count: Props['count'], noun: string): string {
  if (count.isError) return 'How many there are took too long to count.'
  return count.data === undefined ? 'Counting …' : counted(count.data, noun)
}

/** For how many seconds something has been so. */
function useSeconds(isSo: boolean): number {
  const [seconds, setSeconds] = useState(0)
  useEffect(() => {
    if (!isSo) return undefined
    const began = Date.now()
    const timer = setInterval(() => setSeconds(Math.round((Date.now() - began) / 1000)), 500)
    return () => {
      clearInterval(timer)
      setSeconds(0)
    }
  }, [isSo])
  return seconds
}
