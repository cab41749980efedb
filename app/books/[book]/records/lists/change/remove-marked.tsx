'use client'

import { useEffect, useState } from 'react'
import { told } from '@/app/answered'
import { counted, inSentence, listed, wordProblem } from '@/core/words'
import type { RemovalSheet } from '@/server/live'
import { Button, Dialog } from '@/ui/kit'
import { askRemovals } from '../../actions'
import { useRecords } from '../../records-context'
import type { Changing } from './changing'

interface Props {
  readonly changing: Changing
  readonly onClose: () => void
}

/** Says what goes with the marked records, or why they can't go, before anything happens. */
export function RemoveMarked({ changing, onClose }: Props) {
  const { id } = useRecords()
  const [sheet, setSheet] = useState<RemovalSheet>()
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  // As they were marked when it was asked.
  const [records] = useState(() => [...changing.marked.values()])
  const many = counted(records.length, inSentence(changing.table.name))
  useEffect(() => {
    let ended = false
    const refs = records.map(({ ref }) => ref)
    void told(askRemovals(id, { table: changing.table.id, refs })).then((result) => {
      if (ended) return
      if (result.ok) setSheet(result.value)
      const stops = result.ok ? result.value.blocked : result
      if (!stops.ok) setWrong(wordProblem(stops.problem))
    })
    return () => {
      ended = true
    }
  }, [id, records, changing.table.id])
  const go = async () => {
    setBusy(true)
    const sent = await changing.remove(records)
    setBusy(false)
    if (sent.kind === 'wrong') setWrong(sent.words)
    else onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Remove ${many}?`}
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="ember" disabled={!sheet || wrong !== '' || busy} onClick={() => void go()}>
            {busy ? 'Removing …' : `Remove ${many}`}
          </Button>
        </>
      }
    >
      <div role="status" className="mt-2">
        {wrong && <p className="text-ember">{wrong}</p>}
        {!wrong && sheet && (
          <p>
            {sheet.goes.length > 0 ? `${listed(sheet.goes)} go with them.` : 'Nothing else goes with them.'}
            {sheet.stays.length > 0 && ` ${listed(sheet.stays)} are left without them.`} This can’t be undone.
          </p>
        )}
        {!wrong && !sheet && <p className="text-ash-6">Looking at what is linked to them …</p>}
      </div>
    </Dialog>
  )
}
