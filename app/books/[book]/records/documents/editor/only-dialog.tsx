'use client'

import type { Editor } from '@tiptap/react'
import type { List, Table } from '@/core/book'
import { freshId } from '@/ui/ids'
import { ConditionDialog } from '../../lists/conditions/condition-dialog'
import { type Selected, setPart } from './selected'

interface Props {
  readonly editor: Editor
  readonly table: Table
  /** What stands under a condition already; none for something new. */
  readonly only: Selected['only']
  readonly onClose: () => void
}

/** Under which condition something in the text stands: new around where one writes, or another for what has one. */
export function OnlyDialog({ editor, table, only, onClose }: Props) {
  const where = only?.attrs.when as List['where'] | null | undefined
  const list: List = {
    id: 'only',
    table: table.id,
    columns: [{ id: 'key', shows: { kind: 'field', place: { way: [], field: table.key[0] ?? '' } } }],
    asks: [],
    order: [],
    ...(where && { where }),
  }
  return (
    <ConditionDialog
      list={list}
      given={{}}
      at={where ? 0 : undefined}
      alone
      onClose={onClose}
      onKeep={({ where: when }) => {
        onClose()
        if (!when) {
          if (only) editor.chain().focus().setNodeSelection(only.at).run()
          if (only) unwrap(editor, only.at)
          return
        }
        if (only) return setPart(editor, only.at, { when })
        editor
          .chain()
          .focus()
          .insertContent({
            type: 'only',
            attrs: { id: freshId(), when },
            content: [{ type: 'paragraph' }],
          })
          .run()
      }}
    />
  )
}

/** What stood under a condition stands without it. */
export function unwrap(editor: Editor, at: number): void {
  const node = editor.state.doc.nodeAt(at)
  if (node) editor.view.dispatch(editor.state.tr.replaceWith(at, at + node.nodeSize, node.content))
}
