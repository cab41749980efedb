'use client'

import { type FormEvent, useState } from 'react'
import { answered } from '@/app/answered'
import type { List } from '@/core/book'
import { foldersOf, nameOf, sayReady } from '@/core/lists'
import { wordProblem } from '@/core/words'
import { Button, Dialog, Labelled, PassageBox, Segments, TextBox, TickBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useRecords } from '../records-context'
import { keep } from './actions'

interface Props {
  readonly list: List
  /** As it was when changing it began; none for a new one. */
  readonly before: List | undefined
  readonly onClose: () => void
  readonly onKept: (list: List) => void
}

type Whose = 'mine' | 'everybody'

/** Names a list and keeps it, over what was kept before or beside it. */
export function KeepDialog({ list, before, onClose, onKept }: Props) {
  const { book, id: bookId } = useRecords()
  const [name, setName] = useState(list.name ?? '')
  const [describe, setDescribe] = useState(list.describe ?? '')
  const [folder, setFolder] = useState(list.folder ?? '')
  const [pinned, setPinned] = useState(list.pinned === true)
  const [ready, setReady] = useState(list.ready === true)
  const keeps = sayReady(book, list)
  const [whose, setWhose] = useState<Whose>(before && before.owner === undefined ? 'everybody' : 'mine')
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  async function send(over: boolean) {
    setBusy(true)
    const {
      name: _name,
      describe: _describe,
      folder: _folder,
      pinned: _pinned,
      ready: _ready,
      owner: _owner,
      ...asked
    } = list
    const words = {
      ...(name.trim() && { name }),
      ...(describe.trim() && { describe }),
      ...(folder.trim() && { folder }),
      ...(pinned && { pinned }),
      ...(ready && keeps && whose === 'everybody' && { ready }),
    }
    const wished: List = { ...asked, ...words, id: over ? list.id : freshId() }
    const kept = await answered(
      keep(bookId, { list: wished, mine: whose === 'mine', ...(over && before && { before }) }),
    )
    setBusy(false)
    if (kept.ok) onKept(kept.value)
    else setWrong(wordProblem(kept.problem))
  }
  const submit = (event: FormEvent) => {
    event.preventDefault()
    void send(true)
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title="Keep the list"
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          {before && (
            <Button disabled={busy} onClick={() => void send(false)}>
              Keep as a new one
            </Button>
          )}
          <Button look="main" type="submit" form="keep-list" disabled={busy}>
            Keep it
          </Button>
        </>
      }
    >
      <form id="keep-list" onSubmit={submit} className="mt-2 flex flex-col gap-3">
        <Labelled label="Name" htmlFor="keep-name">
          <TextBox
            id="keep-name"
            value={name}
            placeholder={nameOf(book, { ...list, name: undefined })}
            onChange={(event) => setName(event.target.value)}
          />
        </Labelled>
        <Labelled label="What it is for (optional)" htmlFor="keep-describe">
          <PassageBox
            id="keep-describe"
            rows={2}
            value={describe}
            onChange={(event) => setDescribe(event.target.value)}
          />
        </Labelled>
        <Labelled label="Folder (optional)" htmlFor="keep-folder">
          <TextBox
            id="keep-folder"
            value={folder}
            list="keep-folders"
            onChange={(event) => setFolder(event.target.value)}
          />
          <datalist id="keep-folders">
            {foldersOf(book.lists).map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
        </Labelled>
        <TickBox
          id="keep-pinned"
          checked={pinned}
          label={
            list.shown?.as === 'chart'
              ? 'Its chart on the first page of Records'
              : 'Its number on the first page of Records'
          }
          onChange={setPinned}
        />
        <Segments
          label="Whose it is"
          value={whose}
          options={[
            { value: 'mine', words: 'Mine' },
            { value: 'everybody', words: 'Everybody’s' },
          ]}
          onChange={setWhose}
        />
        {keeps && whose === 'everybody' && (
          <div>
            <TickBox id="keep-ready" checked={ready} label="Kept ready, to be quicker" onChange={setReady} />
            <p className="text-[13px] text-ash-6">
              From the next opening on the database itself keeps {keeps}. Saving takes a little longer for it.
            </p>
          </div>
        )}
        {wrong && (
          <p role="alert" className="text-[13px] text-ember">
            {wrong}
          </p>
        )}
      </form>
    </Dialog>
  )
}
