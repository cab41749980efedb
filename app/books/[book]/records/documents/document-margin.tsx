'use client'

import type { Editor } from '@tiptap/react'
import { officeNow } from '@/app/office-now'
import type { Table, Template } from '@/core/book'
import { readTemplate } from '@/core/reports'
import { counted, wordProblem } from '@/core/words'
import { Note, WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import { ExampleBox } from './editor/example-box'
import { unwrap } from './editor/only-dialog'
import { MailChoices } from './editor/mail-choices'
import { PartChoices } from './editor/part-choices'
import { type Selected, setSettings } from './editor/selected'
import { SettingsChoices } from './editor/settings-choices'
import { TableChoices } from './editor/table-choices'
import type { Settings } from './editor/text-of'
import { whyTooLong } from './why-too-long'

export interface SomeRecord {
  readonly ref: string
  readonly label: string
}

interface Props {
  readonly editor: Editor
  readonly table: Table
  readonly template: Template
  readonly settings: Settings
  /** None while its pages are looked at. */
  readonly selected: Selected
  readonly isLeft: boolean
  readonly onAnew: () => void
  readonly onCondition: () => void
  readonly record: SomeRecord | undefined
  readonly onRecord: (record: SomeRecord) => void
}

/** What is wrong with a document, the choices of what is chosen in it, and with whose values it is shown. */
export function DocumentMargin(props: Props) {
  const { mayChange } = useRecords()
  const { table, record, onRecord } = props
  return (
    <>
      {props.isLeft && (
        <Note mark="info" head="As you left it" actions={<WordButton onClick={props.onAnew}>Begin anew</WordButton>}>
          It was changed here and not kept yet.
        </Note>
      )}
      <Wrongs template={props.template} />
      {mayChange && <Chosen {...props} />}
      <ExampleBox table={table} value={record} onChange={onRecord} />
    </>
  )
}

function Wrongs({ template }: { readonly template: Template }) {
  const { book } = useRecords()
  const { faults } = readTemplate(book, template, { given: {}, now: officeNow(), lists: book.lists })
  const long = whyTooLong(template)
  const all = [...new Set([...faults.map(({ problem }) => wordProblem(problem)), ...(long ? [long] : [])])]
  if (all.length === 0) return null
  return (
    <Note mark="settle" head={`${counted(all.length, 'problem')} to correct`}>
      {all.join(' ')}
    </Note>
  )
}

function Chosen({ editor, table, settings, selected: { part, only, mail, table: own }, onCondition }: Props) {
  return (
    <>
      {part && <PartChoices editor={editor} part={part} />}
      {only && (
        <section aria-label="The condition" className="flex flex-col gap-1">
          <h3 className="font-semibold">Only where a condition holds</h3>
          <WordButton className="self-start" onClick={onCondition}>
            Change the condition
          </WordButton>
          <WordButton className="self-start" onClick={() => unwrap(editor, only.at)}>
            Without the condition
          </WordButton>
        </section>
      )}
      {mail && <MailChoices editor={editor} table={table} mail={mail} />}
      {own && !part && <TableChoices editor={editor} />}
      {!part && !mail && !own && (
        <SettingsChoices table={table} settings={settings} onChange={(to) => setSettings(editor, to)} />
      )}
    </>
  )
}
