'use client'

import { useQuery } from '@tanstack/react-query'
import { toast } from 'sonner'
import type { List } from '@/core/book'
import { putOnClipboard } from '@/ui/clipboard'
import { Button, Dialog } from '@/ui/kit'
import { useRecords } from '../records-context'
import { Refused } from '../rows-query'
import { sqlOf } from './use-list-lines'

interface Props {
  readonly list: List
  readonly given: Readonly<Record<string, string>>
  readonly onClose: () => void
}

/** What the database is asked for a list, for those who like to see it. */
export function SqlDialog({ list, given, onClose }: Props) {
  const { base } = useRecords()
  const asked = useQuery({ queryKey: ['list-sql', list, given], queryFn: () => sqlOf(base, list, given), retry: 1 })
  const copy = async () => {
    const copied = await putOnClipboard(asked.data ?? '')
    toast(copied ? 'Copied.' : 'The browser did not allow copying. Choose the text and copy it by the keyboard.')
  }
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="The list as SQL"
      say="Read only: what MariaDB is asked for the first page, and for the groups. A question mark stands for the keys of the records of a page."
      actions={
        <>
          <Button onClick={onClose}>Close</Button>
          <Button look="main" disabled={!asked.data} onClick={() => void copy()}>
            Copy
          </Button>
        </>
      }
    >
      {asked.isError && (
        <p role="alert" className="mt-2 text-[13px] text-ember">
          {asked.error instanceof Refused ? asked.error.message : 'It could not be read. Try again.'}
        </p>
      )}
      <pre
        aria-label="SQL"
        tabIndex={0}
        className="mt-3 max-h-[50vh] overflow-auto rounded-md border border-ash-3 bg-ash-1 p-3 font-mono text-[12.5px] leading-[1.55] whitespace-pre-wrap"
      >
        {asked.data ?? 'Reading …'}
      </pre>
    </Dialog>
  )
}
