'use client'

import type { Editor } from '@tiptap/react'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import type { Table, Template } from '@/core/book'
import { wordProblem } from '@/core/words'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useWide } from '@/ui/use-wide'
import { DropDialog } from '../drop-dialog'
import { useRecords } from '../records-context'
import { dropDocument, keepDocument } from './actions'
import { DocumentHead } from './document-head'
import { DocumentMargin, type SomeRecord } from './document-margin'
import { DocumentPages } from './document-pages'
import { DocumentContext, useExample } from './editor/example'
import { IndexBeside } from './editor/index-beside'
import { OnlyDialog } from './editor/only-dialog'
import { none } from './editor/selected'
import { TextArea } from './editor/text-area'
import type { Settings } from './editor/text-of'
import { Toolbar } from './editor/toolbar'
import { useDocumentDraft } from './use-document'
import { whyTooLong } from './why-too-long'

interface Props {
  readonly table: Table
  /** As it is kept; none where it isn't yet. */
  readonly kept: Template | undefined
  readonly start: Template
}

/** The record with whose values a document is shown: the one that was chosen, or the first. */
function useShown(table: Table, template: Template) {
  const { base } = useRecords()
  const [chosen, choose] = useState<SomeRecord>()
  const { data } = useExample(base, template, chosen?.ref)
  const example = data ?? undefined
  const within = useMemo(() => ({ table: table.id, template, example }), [table.id, template, example])
  return { within, record: chosen ?? example, choose }
}

/** A document while it is written: its text with chips for fields, what can be put in at the left, choices in the margin. */
export function DocumentSheet({ table, kept, start }: Props) {
  const { base, id: bookId, mayChange } = useRecords()
  const router = useRouter()
  const draft = useDocumentDraft({ table, kept, start })
  const { editor, template, before, isChanged, selected } = draft
  const [mode, setMode] = useState<'write' | 'pages'>('write')
  const [asking, setAsking] = useState<Asking>()
  const isWide = useWide()
  const { within, record, choose } = useShown(table, template)
  const save = async () => {
    const long = whyTooLong(template)
    if (long) return void toast(long)
    const saved = await answered(keepDocument(bookId, { template, ...(before && { before }) }))
    if (!saved.ok) return void toast(wordProblem(saved.problem))
    draft.noteKept(saved.value)
    toast('The document is kept.')
    router.replace(`${base}/documents/${saved.value.id}`)
    router.refresh()
  }
  useKeys(
    {
      'Alt F': () => document.getElementById('find-to-insert')?.focus(),
      'Ctrl S': mayChange ? () => isChanged && void save() : undefined,
    },
    { 'Ctrl Z': () => editor?.commands.undo(), 'Ctrl Y': () => editor?.commands.redo() },
  )
  if (!editor) return <Room>{null}</Room>
  const isWriting = mode === 'write' && mayChange
  const beside = (
    <DocumentMargin
      editor={editor}
      table={table}
      template={template}
      settings={(draft.text.attrs?.settings ?? {}) as Settings}
      selected={isWriting ? selected : none}
      isLeft={draft.isLeft}
      onAnew={draft.beginAnew}
      onCondition={() => setAsking('condition')}
      record={record}
      onRecord={choose}
    />
  )
  return (
    <DocumentContext value={within}>
      <Room
        bare
        indexLabel="What can be put in"
        index={
          isWriting ? (
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
            record={record}
          />
          {!isWide && (
            <div className="flex max-h-[34%] flex-col gap-2.5 overflow-y-auto px-6 pb-3 max-md:px-3">{beside}</div>
          )}
          {isWriting && <Toolbar editor={editor} />}
          {mode === 'write' ? <TextArea editor={editor} /> : <DocumentPages template={template} record={record?.ref} />}
        </div>
        <Asked
          asking={asking}
          editor={editor}
          table={table}
          only={selected.only}
          before={before}
          onClose={() => setAsking(undefined)}
        />
      </Room>
    </DocumentContext>
  )
}

type Asking = 'only' | 'condition' | 'drop'

interface AskedProps {
  readonly asking: Asking | undefined
  readonly editor: Editor
  readonly table: Table
  readonly only: ReturnType<typeof useDocumentDraft>['selected']['only']
  readonly before: Template | undefined
  readonly onClose: () => void
}

/** The dialog for what is being asked about a document. */
function Asked({ asking, editor, table, only, before, onClose }: AskedProps) {
  const { base, id } = useRecords()
  switch (asking) {
    case undefined:
      return null
    case 'only':
      return <OnlyDialog editor={editor} table={table} only={undefined} onClose={onClose} />
    case 'condition':
      return <OnlyDialog editor={editor} table={table} only={only} onClose={onClose} />
    case 'drop':
      return before ? (
        <DropDialog
          title={`Remove the document ${before.name}?`}
          say="No record goes with it, and nothing that was handed out."
          onClose={onClose}
          onDrop={() => answered(dropDocument(id, { document: before.id }))}
          back={`${base}/documents`}
        />
      ) : null
  }
}
