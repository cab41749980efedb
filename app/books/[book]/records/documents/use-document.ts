'use client'

import { type Editor, type JSONContent, useEditor, useEditorState } from '@tiptap/react'
import { useEffect, useMemo, useState } from 'react'
import type { Table, Template } from '@/core/book'
import { sameJson } from '@/core/words'
import { useLeaving } from '@/ui/use-leaving'
import { useRecords } from '../records-context'
import { draftOf, forgetDraft, keepDraft } from './editor/drafts'
import { documentNodes } from './editor/nodes'
import { none, selectedIn } from './editor/selected'
import { templateOf } from './editor/template-of'
import { textOf } from './editor/text-of'

interface Wish {
  readonly table: Table
  /** As it is kept; none where it isn't yet. */
  readonly kept: Template | undefined
  readonly start: Template
}

/** As it is once it was in the editor: its columns numbered as they come. */
const keptShape = (template: Template): Template => templateOf(template, textOf(template))

/** A document while it is written: its text, the document that this is, and whether it is kept so. */
export function useDocumentDraft({ table, kept, start }: Wish) {
  const { id: book, mayChange } = useRecords()
  const place = kept?.id ?? `new ${table.id} ${start.name}`
  const [left] = useState(() => (mayChange ? draftOf(book, place, kept) : undefined))
  const [text, setText] = useState<JSONContent>(() => left ?? textOf(start))
  const [before, setBefore] = useState(kept)
  const template = useMemo(() => templateOf(start, text), [start, text])
  const note = ({ editor }: { editor: Editor }) => setText(editor.getJSON())
  const editor = useEditor({
    extensions: documentNodes,
    content: text,
    editable: mayChange,
    immediatelyRender: false,
    editorProps: { attributes: { 'aria-label': 'Text of the document', class: 'outline-none' } },
    onCreate: note,
    onUpdate: note,
  })
  const selector = ({ editor: one }: { editor: Editor | null }) => (one ? selectedIn(one) : none)
  const selected = useEditorState({ editor, selector }) ?? none
  const isChanged = before === undefined || !sameJson(keptShape(before), template)
  const begun = useMemo(() => keptShape(start), [start])
  const isTouched = mayChange && isChanged && !sameJson(begun, template)
  useLeaving(isTouched)
  useEffect(() => {
    if (isTouched) keepDraft(book, place, before, text)
    else forgetDraft(book, place)
  }, [isTouched, book, place, before, text])
  return {
    editor,
    text,
    template,
    selected,
    before,
    isChanged,
    /** It is as somebody left it here, and not as it is kept. */
    isLeft: left !== undefined && isTouched,
    beginAnew: () => editor?.commands.setContent(textOf(start), { emitUpdate: true }),
    /** Notes that it is kept. */
    noteKept(now: Template) {
      forgetDraft(book, place)
      setBefore(now)
      // What nobody sees was taken out of its words: the text is what is kept.
      if (!sameJson(keptShape(now), template)) editor?.commands.setContent(textOf(now), { emitUpdate: true })
    },
  }
}
