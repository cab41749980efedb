'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { answered } from '@/app/answered'
import type { List, Report } from '@/core/book'
import { reportName } from '@/core/reports'
import { wordProblem } from '@/core/words'
import { Button, Dialog } from '@/ui/kit'
import { useRecords } from '../records-context'
import { dropReport } from './actions'

interface Props {
  readonly report: Report
  readonly list: List
  readonly onClose: () => void
}

export function DropReport({ report, list, onClose }: Props) {
  const { book, id, base } = useRecords()
  const router = useRouter()
  const [wrong, setWrong] = useState('')
  const remove = async () => {
    const gone = await answered(dropReport(id, { report: report.id }))
    if (!gone.ok) return setWrong(wordProblem(gone.problem))
    router.push(`${base}/reports`)
    router.refresh()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Remove the report ${reportName(book, report, list)}?`}
      say="Neither its list nor any record goes with it."
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="ember" onClick={() => void remove()}>
            Remove it
          </Button>
        </>
      }
    >
      {wrong && (
        <p role="alert" className="mt-2 text-[13px] text-ember">
          {wrong}
        </p>
      )}
    </Dialog>
  )
}
