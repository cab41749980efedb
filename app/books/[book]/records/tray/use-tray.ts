'use client'

import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { toast } from 'sonner'
import type { TrayFile } from '@/server/tray'
import { useRecords } from '../records-context'

/** How often it is asked how far a file is, in milliseconds. */
const often = 2000

export const keyOf = (base: string) => ['tray', base]

/** A file as it is called. */
export const fileName = ({ title, form }: Pick<TrayFile, 'title' | 'form'>) => `${title}.${form}`

/** What waits in the tray; asked again as long as something is being made. */
export function useTray(): readonly TrayFile[] {
  const { base, tray } = useRecords()
  const { data } = useQuery({
    queryKey: keyOf(base),
    queryFn: async ({ signal }) => {
      const answer = await fetch(`${base}/tray/now`, { signal })
      if (!answer.ok) throw new Error('There was no answer.')
      return (await answer.json()) as TrayFile[]
    },
    initialData: [...tray],
    staleTime: Infinity,
    refetchInterval: ({ state }) => (state.data?.some(({ state: now }) => now === 'making') ? often : false),
  })
  return data
}

/** Says of each file when it is ready, or why there is none. */
export function useTrayNews(files: readonly TrayFile[]): void {
  const before = useRef(files)
  useEffect(() => {
    const was = new Map(before.current.map(({ id, state }) => [id, state]))
    before.current = files
    for (const file of files) {
      if (was.get(file.id) !== 'making' || file.state === 'making') continue
      toast(
        file.state === 'ready'
          ? `${fileName(file)} is ready in the tray.`
          : `${fileName(file)} could not be made. The tray says why.`,
      )
    }
  }, [files])
}
