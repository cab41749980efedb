import { useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import type { Table } from '@/core/book'
import { type GridRow, mostRows } from '@/core/grid'
import type { Problems } from '@/core/records'
import { counted, inSentence, nth, wordProblem } from '@/core/words'
import type { RowsOutcome } from '@/server/live'
import { useRecords } from '../../records-context'
import type { GridLine } from './grid-lines'
import { saveRows } from './save-rows'
import type { Checks } from './use-checks'

export type Keep = 'all' | 'right'
type Warnings = Extract<RowsOutcome, { kind: 'warned' }>['warnings']

/** Words of rules that are to be read, and those that were read before. */
interface Asked {
  readonly warnings: Warnings
  readonly despite: readonly string[]
}

interface Wish {
  readonly table: Table
  readonly lines: readonly GridLine[]
  readonly checks: Checks
  readonly isWrong: (line: GridLine) => boolean
  readonly keep: Keep
  readonly onSaved: (ids: ReadonlySet<string>) => void
  /** Everything is saved. */
  readonly onDone: () => void
  readonly onWrong: () => void
}

/** Above the grid: beneath it stands what is to be done next. */
const tell = (words: string) => toast(words, { position: 'top-center' })

const pauseWhileOpening = 1500

/** Saves what stands in a grid, and keeps what was refused of each row as long as it stands as it did. */
export function useGridSaving({ table, lines, checks, isWrong, keep, onSaved, onDone, onWrong }: Wish) {
  const { base } = useRecords()
  const queries = useQueryClient()
  const [said, setSaid] = useState<ReadonlyMap<GridRow, Problems>>(new Map())
  const [whole, setWhole] = useState<readonly string[]>([])
  const [done, setDone] = useState<number>()
  const [waits, setWaits] = useState(false)
  const [asked, setAsked] = useState<Asked>()
  const underWay = useRef(false)
  const noun = inSentence(table.name)

  /** Sends rows and hears what became of them; the book may be opened meanwhile, which is waited for. */
  async function sent(rows: readonly GridRow[], despite: readonly string[]) {
    const values = rows.map((row) => ({
      ref: row.stored ? row.id : null,
      rev: row.stored?.rev ?? null,
      values: checks.of(row)?.values ?? {},
    }))
    for (;;) {
      const address = `${base}/${table.id}/grid/save`
      const result = await saveRows(address, { table: table.id, rows: values, keep, despite }, setDone)
      if (!result.ok || result.value.kind !== 'waits') return result
      setWaits(true)
      await new Promise((later) => setTimeout(later, pauseWhileOpening))
    }
  }

  function hear(rows: readonly GridRow[], outcome: RowsOutcome, despite: readonly string[]) {
    if (outcome.kind === 'warned') return setAsked({ warnings: outcome.warnings, despite })
    if (outcome.kind === 'waits') return
    setSaid(new Map(outcome.refused.map(({ at, problems }) => [nth(rows, at), problems])))
    if (outcome.kind === 'refused') {
      setWhole(outcome.whole.map(wordProblem))
      tell(`Nothing was saved. ${sayWrong(outcome.refused.length)}`.trim())
      if (outcome.refused.length > 0) onWrong()
      return
    }
    const left = lines.length - outcome.saved.length
    tell(
      `${counted(outcome.saved.length, noun)} saved.${left > 0 ? ` ${counted(left, 'row')} ${left === 1 ? 'stays' : 'stay'} here, marked.` : ''}`,
    )
    if (left > 0) onWrong()
    else onDone()
  }

  async function save(despite: readonly string[] = []) {
    if (underWay.current || lines.length === 0) return
    underWay.current = true
    setAsked(undefined)
    setWhole([])
    setDone(0)
    try {
      const right = lines.filter((line) => !isWrong(line)).map(({ row }) => row)
      const wrong = lines.length - right.length
      if (wrong > 0 && (keep === 'all' || right.length === 0)) {
        tell(`Nothing was saved. ${sayWrong(wrong)}`)
        return onWrong()
      }
      if (right.length > mostRows) {
        return setWhole([
          `Nothing was saved: a grid saves ${figure(mostRows)} rows at a time, and these are ${figure(right.length)}. Take some back with Ctrl Z, or with Alt Delete.`,
        ])
      }
      const result = await sent(right, despite)
      const saved = result.ok && result.value.kind === 'saved' ? result.value.saved.map(({ at }) => nth(right, at)) : []
      // What is new is new no more; what was changed stays in sight until it comes as it is stored.
      onSaved(idsOf(saved.filter(({ stored }) => !stored)))
      if (result.ok) hear(right, result.value, despite)
      else setWhole([wordProblem(result.problem)])
      await queries.invalidateQueries({ queryKey: ['rows'] })
      onSaved(idsOf(saved))
    } finally {
      underWay.current = false
      setDone(undefined)
      setWaits(false)
    }
  }
  return {
    save,
    said: (row: GridRow) => said.get(row),
    whole,
    warnings: asked?.warnings,
    /** Saves despite what was warned of, now and before. */
    agree: () => void save([...(asked?.despite ?? []), ...(asked?.warnings.map(({ rule }) => rule) ?? [])]),
    stopAsking: () => setAsked(undefined),
    /** So many rows are written by now, while they are saved. */
    done,
    waits,
  }
}

const idsOf = (rows: readonly GridRow[]) => new Set(rows.map(({ id }) => id))

/** A number as people read it. */
export const figure = (count: number) => count.toLocaleString('en-GB')

const sayWrong = (rows: number) => (rows > 0 ? `${counted(rows, 'row')} ${rows === 1 ? 'is' : 'are'} wrong.` : '')
