'use client'

import { FileArchive, FileDown, FileText } from 'lucide-react'
import { useEffect, useState } from 'react'
import { counted, wordProblem } from '@/core/words'
import type { TrayFile } from '@/server/tray'
import { Button, buttonLook, Empty, Tag } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { sayMade } from '../documents/handed/say-made'
import { useRecords } from '../records-context'
import { fileName, useTray } from './use-tray'
import { useTrayDoing } from './use-tray-doing'

/** What waits for whoever looks, and what is being made for them. */
export function TrayFiles() {
  const files = useTray()
  const { look } = useTrayDoing()
  // What was put in from another window is seen too.
  useEffect(() => void look(), [look])
  return (
    <Room>
      <h1 className="text-[22px] leading-tight">Tray</h1>
      <p className="mt-1 mb-4 text-ash-6">
        Files that were made for you wait here for seven days. Nobody else sees them.
      </p>
      {files.length === 0 ? (
        <Empty head="Nothing is in the tray">
          While a long report or many documents are being laid, press “Wait for it in the tray”, and go on with
          something else.
        </Empty>
      ) : (
        <ul className="border-t border-ash-3">
          {files.map((file) => (
            <Waiting key={file.id} file={file} />
          ))}
        </ul>
      )}
    </Room>
  )
}

const icons = { pdf: FileText, zip: FileArchive } as const

function Waiting({ file }: { readonly file: TrayFile }) {
  const { base } = useRecords()
  const { takeOut } = useTrayDoing()
  const [isGoing, setGoing] = useState(false)
  const { id, form, state, problem } = file
  const Icon = icons[form]
  const remove = async () => {
    setGoing(true)
    await takeOut(id)
    setGoing(false)
    // What was pressed is gone: whoever goes on by keyboard goes on from here.
    document.getElementById('sheet')?.focus()
  }
  return (
    <li className="flex flex-wrap items-center gap-3 border-b border-ash-3 px-2 py-2.5">
      <Icon size={18} aria-hidden className="shrink-0 text-ash-6" />
      <div className="min-w-0 flex-1 basis-60">
        <p className="font-semibold [overflow-wrap:anywhere]">
          {fileName(file)} {state === 'making' && <Tag look="brass">being made</Tag>}
          {state === 'failed' && <Tag look="ember">not made</Tag>}
        </p>
        <p role={state === 'making' ? 'status' : undefined} className="text-[13px] text-ash-6">
          {sayFar(file)} · <span suppressHydrationWarning>{sayMade(file.madeAt)}</span>
        </p>
        {problem && <p className="text-[13px] text-ember">{wordProblem(problem)}</p>}
      </div>
      <div className="flex gap-2 max-sm:ml-auto">
        {state === 'ready' && (
          <a
            href={`${base}/tray/file?id=${id}`}
            download
            className={buttonLook('main')}
            aria-label={`Take ${fileName(file)}`}
          >
            <FileDown size={15} aria-hidden /> Take it
          </a>
        )}
        <Button
          disabled={isGoing}
          aria-label={`${state === 'making' ? 'Stop' : 'Remove'} ${fileName(file)}`}
          onClick={() => void remove()}
        >
          {state === 'making' ? 'Stop' : 'Remove'}
        </Button>
      </div>
    </li>
  )
}

const saySize = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`

function sayFar({ state, pages, size }: TrayFile): string {
  if (state === 'ready') return `${counted(pages, 'page')}, ${saySize(size)}`
  if (pages === 0) return state === 'making' ? 'No page yet' : 'No page'
  return `${counted(pages, 'page')} so far`
}
