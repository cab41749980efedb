'use client'

import type { Editor } from '@tiptap/react'
import type { ColumnShows, Table } from '@/core/book'
import { mailPlaces } from '@/core/reports'
import { sameJson } from '@/core/words'
import { ChoiceBox, Labelled, TickBox, WordButton } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { columnOf } from './column-of'
import { dropPart, type Selected, setPart } from './selected'
import type { MailParts } from './text-of'

interface Props {
  readonly editor: Editor
  readonly table: Table
  readonly mail: NonNullable<Selected['mail']>
}

/** To whom an e-mail goes, and whether the document goes with it. */
export function MailChoices({ editor, table, mail }: Props) {
  const { book } = useRecords()
  const parts = mail.attrs.parts as MailParts
  const set = (to: MailParts) => setPart(editor, mail.at, { parts: to })
  const known = mailPlaces(book, table)
  const at = known.findIndex((one) => sameJson(one, parts.shows))
  const all = at < 0 ? [parts.shows, ...known] : known
  return (
    <section aria-label="The e-mail" className="flex flex-col gap-2.5">
      <h3 className="font-semibold">The e-mail</h3>
      <Labelled label="Goes to" htmlFor="mail-to">
        <ChoiceBox
          id="mail-to"
          value={Math.max(0, at)}
          onChange={(event) => {
            const shows = all[Number(event.target.value)]
            if (shows) set({ ...parts, shows })
          }}
        >
          {all.map((shows, index) => (
            <option key={index} value={index}>
              {nameOf(columnOf(book, table.id, shows), shows)}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      <TickBox
        id="mail-attached"
        checked={parts.attached === true}
        label="With the document as a PDF"
        onChange={(on) => set({ shows: parts.shows, ...(on && { attached: true }) })}
      />
      <p className="text-[13px] text-ash-6">
        Its first line says what it is about. What is beneath the frame is the document itself.
      </p>
      <p>
        <WordButton onClick={() => dropPart(editor, mail.at)}>Without an e-mail of its own</WordButton>
      </p>
    </section>
  )
}

const nameOf = (found: ReturnType<typeof columnOf>, shows: ColumnShows): string =>
  'why' in found ? 'A field that is gone' : found.column.heading + (shows.kind === 'several' ? ', all of them' : '')
