'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { type FormLook, lookFaults, readableLook } from '@/core/book'
import { shownTables } from '@/core/records'
import { sameJson, wordProblem } from '@/core/words'
import { Button, Segments, Tag, TickBox, UsualSegments } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useLeaving } from '@/ui/use-leaving'
import { useWide } from '@/ui/use-wide'
import { changeFormLook } from '../arrange/actions'
import { ColourBox } from '../paper/colour-box'
import { useRecords } from '../records-context'
import { useDraft } from '../use-draft'
import { LookExample } from './look-example'

/** How many forms it is tried on. */
const tried = 3

/** One look for all forms, seen on three of them in both themes before it is kept. */
export function LookSheet() {
  const { book, id } = useRecords()
  const router = useRouter()
  const [before, setBefore] = useState<FormLook>(book.formLook ?? {})
  const draft = useDraft<FormLook>(before)
  const [theme, setTheme] = useState<'light' | 'dark'>('light')
  const isWide = useWide()
  const look = draft.now
  const isChanged = !sameJson(before, look)
  useLeaving(isChanged)
  const keep = async () => {
    const saved = await answered(changeFormLook(id, { to: look, ...(Object.keys(before).length > 0 && { before }) }))
    if (!saved.ok) return void toast(wordProblem(saved.problem))
    setBefore(saved.value ?? {})
    toast('All forms look like this now.')
    router.refresh()
  }
  useKeys({ 'Ctrl S': () => isChanged && void keep() }, { 'Ctrl z': draft.undo, 'Ctrl Z': draft.undo })
  const hasForm = (table: string) => book.forms.some((form) => form.table === table)
  const tables = [...shownTables(book).main]
    .sort((a, b) => Number(hasForm(b.id)) - Number(hasForm(a.id)))
    .slice(0, tried)
  const choices = <LookChoices look={look} onChange={draft.change} onPut={draft.put} />
  return (
    <Room margin={isWide ? choices : undefined} marginLabel="All forms">
      <header className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h1 className="text-[22px] leading-tight">How forms look</h1>
          {isChanged && <Tag look="brass">changed</Tag>}
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <Segments
            label="Theme it is seen in"
            value={theme}
            options={[
              { value: 'light', words: 'by day' },
              { value: 'dark', words: 'in the dark' },
            ]}
            onChange={setTheme}
          />
          <Button look="main" keys="Ctrl S" disabled={!isChanged} onClick={() => void keep()}>
            Use it for all forms
          </Button>
        </div>
      </header>
      {!isWide && <div className="mb-4 flex flex-col gap-3 rounded-lg border border-ash-3 p-3">{choices}</div>}
      <div className="grid items-start gap-4 xl:grid-cols-3">
        {tables.map((table) => (
          <LookExample key={table.id} tableId={table.id} look={look} theme={theme} />
        ))}
      </div>
    </Room>
  )
}

interface ChoicesProps {
  readonly look: FormLook
  readonly onChange: (to: Partial<FormLook>) => void
  readonly onPut: (look: FormLook) => void
}

const colourWords = {
  words: { label: 'Colour of headings', usual: '#1d2422', fault: 'Too pale to be read.' },
  ground: { label: 'Ground of groups', usual: '#ffffff', fault: 'Too dark to read small words on it.' },
} as const

function LookChoices({ look, onChange, onPut }: ChoicesProps) {
  const { book } = useRecords()
  const faults = lookFaults(look)
  const put = (what: 'words' | 'ground', colour: string | undefined) => {
    const { [what]: _was, ...rest } = look.colours ?? {}
    const colours = colour === undefined ? rest : { ...rest, [what]: colour }
    onChange({ colours: Object.keys(colours).length > 0 ? colours : undefined })
  }
  return (
    <div className="flex flex-col gap-3 text-[13px]">
      {(['words', 'ground'] as const).map((what) => (
        <ColourBox
          key={what}
          id={`form-colour-${what}`}
          label={colourWords[what].label}
          usual={colourWords[what].usual}
          value={look.colours?.[what]}
          onChange={(colour) => put(what, colour)}
          fault={
            faults.includes(what)
              ? { words: colourWords[what].fault, mend: 'Make it readable', onMend: () => onPut(readableLook(look)) }
              : undefined
          }
        />
      ))}
      <p className="text-ash-6">
        Chosen as on white paper; in the dark theme they are made lighter or darker by themselves.
      </p>
      <UsualSegments
        label="Letters"
        value={look.letters}
        usual="usual"
        options={['small', 'usual', 'large']}
        onChange={(letters) => onChange({ letters })}
      />
      <UsualSegments
        label="Room between lines"
        value={look.room}
        usual="usual"
        options={['tight', 'usual', 'wide']}
        onChange={(room) => onChange({ room })}
      />
      <TickBox
        id="form-logo"
        checked={look.logo === true}
        disabled={!book.letterhead?.logo}
        label="With the office’s logo"
        onChange={(logo) => onChange({ logo: logo ? true : undefined })}
      />
      {!book.letterhead?.logo && (
        <p className="text-ash-6">There is no logo yet: it is put into the letterhead, in any report.</p>
      )}
    </div>
  )
}
