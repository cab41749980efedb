'use client'

import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import type { EditionForm } from '@/server/reports'
import type { TrayFile } from '@/server/tray'
import { answerOf } from '../paper/use-edition'
import { useRecords } from '../records-context'
import { putInto, takeFrom } from './actions'

/** How often it is asked how far a file is, in milliseconds. */
const often = 2000

const keyOf = (base: string) => ['tray', base]

/** A file as it is called. */
export const fileName = ({ title, form }: Pick<TrayFile, 'title' | 'form'>) => `${title}.${form}`

/** What waits in the tray; asked again as long as something is being made. */
export function useTray(): readonly TrayFile[] {
  const { base, tray } = useRecords()
  const { data } = useQuery({
    queryKey: keyOf(base),
    queryFn: ({ signal }) => answerOf<TrayFile[]>(fetch(`${base}/tray/now`, { signal })),
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

/** What can be done with the tray. */
export function useTrayDoing() {
  const { id: book, base } = useRecords()
  const queries = useQueryClient()
  const look = useCallback(() => queries.invalidateQueries({ queryKey: keyOf(base) }), [queries, base])
  return {
    look,
    async put(edition: string, form: EditionForm): Promise<boolean> {
      const put = await answered(putInto(book, { edition, form }))
      if (!put.ok) toast(wordProblem(put.problem))
      else toast('It goes into the tray when it is done. You need not wait here.')
      await look()
      return put.ok
    },
    async takeOut(id: string): Promise<void> {
      const taken = await answered(takeFrom(book, id))
      if (!taken.ok) toast(wordProblem(taken.problem))
      await look()
    },
  }
}
