'use client'

import { type JSONContent, useEditor, useEditorState } from '@tiptap/react'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { officeNow } from '@/app/office-now'
import { type Table, type Template, Template as TemplateShape } from '@/core/book'
import { readTemplate } from '@/core/reports'
import { counted, sameJson, wordProblem } from '@/core/words'
import { Note, WordButton } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useLeaving } from '@/ui/use-leaving'
import { useWide } from '@/ui/use-wide'
import { DropDialog } from '../drop-dialog'
import { useRecords } from '../records-context'
import { dropDocument, keepDocument } from './actions'
import { DocumentHead } from './document-head'
import { DocumentPages } from './document-pages'
import { draftOf, forgetDraft, keepDraft } from './editor/drafts'
import { DocumentContext, useExample } from './editor/example'
import { ExampleBox } from './editor/example-box'
import { IndexBeside } from './editor/index-beside'
import { documentNodes } from './editor/nodes'
import { OnlyDialog, unwrap } from './editor/only-dialog'
import { PartChoices } from './editor/part-choices'
import { selectedIn, setSettings } from './editor/selected'
import { SettingsChoices } from './editor/settings-choices'
import { TextArea } from './editor/text-area'
import { templateOf, textOf, type Settings } from './editor/text-of'
import { Toolbar } from './editor/toolbar'

interface Props {
  readonly table: Table
  /** As it is kept; none where it isn't yet. */
  readonly kept: Template | undefined
  readonly start: Template
}

/** A document while it is written: its text with chips for fields, what can be put in at the left, choices in the margin. */
export function DocumentSheet({ table, kept, start }: Props) {
  const { book, base, id: bookId, mayChange } = useRecords()
  const router = useRouter()
  const place = kept?.id ?? `new ${table.id} ${start.name}`
  const [left] = useState(() => (mayChange ? draftOf(bookId, place, kept) : undefined))
  const [text, setText] = useState<JSONContent>(() => left ?? textOf(start))
  const [before, setBefore] = useState(kept)
  const [mode, setMode] = useState<'write' | 'pages'>('write')
  const [record, setRecord] = useState<{ readonly ref: string; readonly label: string }>()
  const [asking, setAsking] = useState<'only' | 'condition' | 'drop'>()
  const isWide = useWide()
  const template = useMemo(() => templateOf(start, text), [start, text])
  const editor = useEditor({
    extensions: documentNodes,
    content: text,
    editable: mayChange,
    immediatelyRender: false,
    editorProps: { attributes: { 'aria-label': 'Text of the document', class: 'outline-none' } },
    onCreate: ({ editor: one }) => setText(one.getJSON()),
    onUpdate: ({ editor: one }) => setText(one.getJSON()),
  })
  const selected = useEditorState({
    editor,
    selector: ({ editor: one }) => (one ? selectedIn(one) : { part: undefined, only: undefined }),
  }) ?? { part: undefined, only: undefined }
  const { data: example } = useExample(base, template, record?.ref)
  const isChanged = before === undefined || !sameJson(keptShape(before), template)
  const begun = useMemo(() => templateOf(start, textOf(start)), [start])
  const isTouched = isChanged && !sameJson(begun, template)
  useLeaving(isTouched && mayChange)
  useEffect(() => {
    if (isTouched) keepDraft(bookId, place, before, text)
    else forgetDraft(bookId, place)
  }, [isTouched, bookId, place, before, text])
  useKeys(
    {
      'Alt F': () => document.getElementById('find-to-insert')?.focus(),
      'Ctrl S': mayChange ? () => isChanged && void save() : undefined,
    },
    { 'Ctrl Z': () => editor?.commands.undo(), 'Ctrl Y': () => editor?.commands.redo() },
  )
  const within = useMemo(
    () => ({ table: table.id, template, example: example ?? undefined }),
    [table.id, template, example],
  )
  if (!editor) return <Room>{null}</Room>
  async function save() {
    const long = whyTooLong(template)
    if (long) return void toast(long)
    const saved = await answered(keepDocument(bookId, { template, ...(before && { before }) }))
    if (!saved.ok) return void toast(wordProblem(saved.problem))
    forgetDraft(bookId, place)
    setBefore(saved.value)
    toast('The document is kept.')
    router.replace(`${base}/documents/${saved.value.id}`)
    router.refresh()
  }
  const found = readTemplate(book, template, { given: {}, now: officeNow(), lists: book.lists })
  const beside = (
    <>
      {left && isTouched && (
        <Note
          mark="info"
          head="As you left it"
          actions={
            <WordButton onClick={() => editor.commands.setContent(textOf(start), { emitUpdate: true })}>
              Begin anew
            </WordButton>
          }
        >
          It was changed here and not kept yet.
        </Note>
      )}
      {found.faults.length > 0 && (
        <Note mark="settle" head={`${counted(found.faults.length, 'problem')} to correct`}>
          {[...new Set(found.faults.map(({ problem }) => wordProblem(problem)))].join(' ')}
        </Note>
      )}
      {mode === 'write' && mayChange && selected.part && <PartChoices editor={editor} part={selected.part} />}
      {mode === 'write' && mayChange && selected.only && (
        <section aria-label="The condition" className="flex flex-col gap-1">
          <h3 className="font-semibold">Only where a condition holds</h3>
          <WordButton className="self-start" onClick={() => setAsking('condition')}>
            Change the condition
          </WordButton>
          <WordButton className="self-start" onClick={() => selected.only && unwrap(editor, selected.only.at)}>
            Without the condition
          </WordButton>
        </section>
      )}
      {(mode === 'pages' || !selected.part) && mayChange && (
        <SettingsChoices
          settings={(text.attrs?.settings ?? {}) as Settings}
          onChange={(settings) => setSettings(editor, settings)}
        />
      )}
      <ExampleBox table={table} value={record ?? example ?? undefined} onChange={setRecord} />
    </>
  )
  return (
    <DocumentContext value={within}>
      <Room
        bare
        indexLabel="What can be put in"
        index={
          mode === 'write' && mayChange ? (
            <IndexBeside editor={editor} table={table} selected={selected} onOnly={() => setAsking('only')} />
          ) : undefined
        }
        margin={isWide ? beside : undefined}
      >
        <div className="flex h-full flex-col">
          <DocumentHead
            table={table}
            template={template}
            isKept={before !== undefined}
            isChanged={isChanged}
            mode={mode}
            onMode={setMode}
            onKeep={() => void save()}
            onDrop={() => setAsking('drop')}
            record={record ?? example ?? undefined}
          />
          {!isWide && (
            <div className="flex max-h-[34%] flex-col gap-2.5 overflow-y-auto px-6 pb-3 max-md:px-3">{beside}</div>
          )}
          {mode === 'write' && mayChange && <Toolbar editor={editor} />}
          {mode === 'write' ? (
            <TextArea editor={editor} />
          ) : (
            <DocumentPages template={template} record={record?.ref ?? example?.ref} />
          )}
        </div>
        {(asking === 'only' || asking === 'condition') && (
          <OnlyDialog
            editor={editor}
            table={table}
            only={asking === 'condition' ? selected.only : undefined}
            onClose={() => setAsking(undefined)}
          />
        )}
        {asking === 'drop' && before && (
          <DropDialog
            title={`Remove the document ${before.name}?`}
            say="No record goes with it, and nothing that was handed out."
            onClose={() => setAsking(undefined)}
            onDrop={() => answered(dropDocument(bookId, { document: before.id }))}
            back={`${base}/documents`}
          />
        )}
      </Room>
    </DocumentContext>
  )
}

/** As it is once it was in the editor: its columns numbered as they come. */
const keptShape = (template: Template): Template => templateOf(template, textOf(template))

/** Why it can't be kept as long as it is. */
function whyTooLong(template: Template): string | undefined {
  const read = TemplateShape.safeParse({ ...template, name: template.name.slice(0, 60).trim() || 'x' })
  return read.success
    ? undefined
    : 'It is longer than a document may be: at most 300 parts, 400 pieces in a paragraph, 12 lines in an address. Take some out.'
}
