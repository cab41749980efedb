'use client'

import { Download } from 'lucide-react'
import { useState } from 'react'
import { toast } from 'sonner'
import type { List } from '@/core/book'
import { nameOf } from '@/core/lists'
import { Button, Menu, MenuItem, MenuLine } from '@/ui/kit'
import { handOver } from '@/ui/hand-over'
import { putOnClipboard } from '@/ui/clipboard'
import { useRecords } from '../records-context'
import { Refused } from '../rows-query'
import { SqlDialog } from './sql-dialog'
import { type TakenAs, takeList } from './use-list-lines'

interface Props {
  readonly list: List
  readonly given: Readonly<Record<string, string>>
  readonly count: number | undefined
  readonly disabled: boolean
}

/** More than this many records on the clipboard stall most programs. */
const mostCopied = 20_000

const files: readonly { readonly as: Exclude<TakenAs, 'tabs'>; readonly words: string; readonly say: string }[] = [
  { as: 'xlsx', words: 'Spreadsheet file', say: 'XLSX, with real numbers, days and totals' },
  { as: 'csv', words: 'CSV file', say: 'plain text that most programs read' },
  { as: 'json', words: 'JSON file', say: 'for programs, each record by its headings' },
]

/** Takes the whole list out. The page does it itself, so that what goes wrong is said in words and the list stays. */
export function TakeOut({ list, given, count, disabled }: Props) {
  const { book, base } = useRecords()
  const [busy, setBusy] = useState(false)
  const [showsSql, setShowsSql] = useState(false)
  const take = async (as: TakenAs) => {
    if (as === 'tabs' && (count ?? 0) > mostCopied)
      return void toast('More than 20,000 records are too many for the clipboard. Take them out as a file.')
    setBusy(true)
    const taken = await takeList(base, list, given, as).catch((cause: unknown) => cause as Error)
    setBusy(false)
    if (taken instanceof Error) return void toast(taken instanceof Refused ? taken.message : cutOff)
    if (as !== 'tabs') return handOver(taken, `${nameOf(book, list).slice(0, 80)}.${as}`)
    const copied = await putOnClipboard(await taken.text())
    toast(copied ? 'Copied. Put it down in another program.' : 'The browser did not allow copying. Take it as a file.')
  }
  return (
    <>
      <Menu
        trigger={
          <Button disabled={disabled || busy}>
            <Download size={15} aria-hidden /> {busy ? 'Reading …' : 'Take out'}
          </Button>
        }
      >
        {files.map(({ as, words, say }) => (
          <MenuItem key={as} onSelect={() => void take(as)} say={say}>
            {words}
          </MenuItem>
        ))}
        <MenuItem onSelect={() => void take('tabs')} say="to put down in a sheet or a letter">
          Copy
        </MenuItem>
        <MenuLine />
        <MenuItem onSelect={() => setShowsSql(true)} say="what the database is asked">
          Show the SQL
        </MenuItem>
      </Menu>
      {showsSql && <SqlDialog list={list} given={given} onClose={() => setShowsSql(false)} />}
    </>
  )
}

const cutOff = 'It could not be read to its end. Try again.'
