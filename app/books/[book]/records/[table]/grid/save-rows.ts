import type { Value } from '@/core/kinds'
import { fail, type Result } from '@/core/words'
import type { RowsOutcome } from '@/server/live'

export interface SentRows {
  readonly table: string
  readonly rows: readonly {
    readonly ref: string | null
    readonly rev: number | null
    readonly values: Readonly<Record<string, Value>>
  }[]
  readonly keep: 'all' | 'right'
  readonly despite?: readonly string[]
}

/** Sends rows to be saved and tells how far it is; where nobody answers to the end, it may have been done. */
export async function saveRows(
  address: string,
  sent: SentRows,
  progress: (done: number) => void,
): Promise<Result<RowsOutcome>> {
  const unknown = fail({ kind: 'no-answer-to-change' })
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(sent),
  }).catch(() => undefined)
  if (!answer?.body) return unknown
  if (!answer.ok) return ((await answer.json().catch(() => undefined)) as Result<never> | undefined) ?? unknown
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  try {
    for (;;) {
      const { done, value } = await reader.read()
      text += value ?? ''
      const lines = text.split('\n')
      text = lines.pop() ?? ''
      for (const line of lines) {
        const said = JSON.parse(line) as { readonly done: number } | Result<RowsOutcome>
        if ('ok' in said) return said
        progress(said.done)
      }
      if (done) return unknown
    }
  } catch {
    return unknown
  }
}
