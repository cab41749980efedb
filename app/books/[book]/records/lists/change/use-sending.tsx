'use client'

import { useState } from 'react'
import type { Value } from '@/core/kinds'
import { WarningDialog } from '../../form/warning-dialog'
import type { Changing, Shown, Warned } from './changing'

/** Gives a field of some records a value, and keeps what stands in the way: what was refused, and what only warns. */
export function useSending(changing: Changing, records: readonly Shown[], field: string, onDone: () => void) {
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [warned, setWarned] = useState<Warned & { readonly value: Value }>()
  async function send(value: Value, despite: readonly string[] = []) {
    setBusy(true)
    const sent = await changing.change(records, { [field]: value }, despite)
    setBusy(false)
    if (sent.kind === 'done') onDone()
    else if (sent.kind === 'warned') setWarned({ ...sent, value })
    else setWrong(sent.words)
  }
  const goOn = () => {
    if (!warned) return
    setWarned(undefined)
    void send(
      warned.value,
      warned.warnings.map(({ rule }) => rule),
    )
  }
  /** In place of what was typed, until somebody decides. */
  const warning = warned && (
    <WarningDialog warnings={warned.warnings} onClose={() => setWarned(undefined)} onSave={goOn} />
  )
  return { send, wrong, forget: () => setWrong(''), busy, warning }
}
