'use client'

import { useQueryClient } from '@tanstack/react-query'
import { useCallback } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import type { EditionForm } from '@/server/reports'
import { useRecords } from '../records-context'
import { putInto, takeFrom } from './actions'
import { keyOf } from './use-tray'

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
