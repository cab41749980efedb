'use client'

import { type Editor, useEditorState } from '@tiptap/react'
import { AlignCenter, AlignLeft, AlignRight, Bold, List, ListOrdered, Redo2, Undo2 } from 'lucide-react'
import type { ReactNode } from 'react'
import { ChoiceBox, classNames } from '@/ui/kit'

const looks = { text: 'Text', title: 'Title', heading: 'Heading', small: 'Small print' } as const
type Look = keyof typeof looks

/** How the text where one writes looks. */
export function Toolbar({ editor }: { readonly editor: Editor }) {
  const state = useEditorState({
    editor,
    selector: ({ editor: one }) => ({
      look: lookOf(one),
      bold: one.isActive('bold'),
      middle: one.isActive({ textAlign: 'center' }),
      end: one.isActive({ textAlign: 'right' }),
      points: one.isActive('bulletList'),
      numbers: one.isActive('orderedList'),
      mayUndo: one.can().undo(),
      mayRedo: one.can().redo(),
    }),
  })
  const chain = () => editor.chain().focus()
  return (
    <div
      role="toolbar"
      aria-label="How the text looks"
      className="flex flex-wrap items-center gap-1 border-y border-ash-3 bg-ash-1 px-6 py-1.5 max-md:px-3"
    >
      <ChoiceBox
        aria-label="Look of the paragraph"
        value={state.look}
        onChange={(event) => setLook(editor, event.target.value as Look)}
        className="!w-[130px]"
      >
        {Object.entries(looks).map(([look, words]) => (
          <option key={look} value={look}>
            {words}
          </option>
        ))}
      </ChoiceBox>
      <Tool label="Bold" keys="Ctrl+B" on={state.bold} onPress={() => chain().toggleBold().run()}>
        <Bold size={16} aria-hidden />
      </Tool>
      <Between />
      <Tool label="At the left" on={!state.middle && !state.end} onPress={() => chain().setTextAlign('left').run()}>
        <AlignLeft size={16} aria-hidden />
      </Tool>
      <Tool label="In the middle" on={state.middle} onPress={() => chain().setTextAlign('center').run()}>
        <AlignCenter size={16} aria-hidden />
      </Tool>
      <Tool label="At the right" on={state.end} onPress={() => chain().setTextAlign('right').run()}>
        <AlignRight size={16} aria-hidden />
      </Tool>
      <Between />
      <Tool label="Points" on={state.points} onPress={() => chain().toggleBulletList().run()}>
        <List size={16} aria-hidden />
      </Tool>
      <Tool label="Numbered points" on={state.numbers} onPress={() => chain().toggleOrderedList().run()}>
        <ListOrdered size={16} aria-hidden />
      </Tool>
      <Between />
      <Tool label="Take the last change back" keys="Ctrl+Z" off={!state.mayUndo} onPress={() => chain().undo().run()}>
        <Undo2 size={16} aria-hidden />
      </Tool>
      <Tool label="Make it again" keys="Ctrl+Y" off={!state.mayRedo} onPress={() => chain().redo().run()}>
        <Redo2 size={16} aria-hidden />
      </Tool>
    </div>
  )
}

function lookOf(editor: Editor): Look {
  if (editor.isActive('heading', { level: 1 })) return 'title'
  if (editor.isActive('heading', { level: 2 })) return 'heading'
  return editor.isActive('paragraph', { small: true }) ? 'small' : 'text'
}

function setLook(editor: Editor, look: Look): void {
  const chain = editor.chain().focus()
  if (look === 'title' || look === 'heading') chain.setHeading({ level: look === 'title' ? 1 : 2 }).run()
  else
    chain
      .setParagraph()
      .updateAttributes('paragraph', { small: look === 'small' })
      .run()
}

interface ToolProps {
  readonly label: string
  readonly keys?: string
  readonly on?: boolean
  readonly off?: boolean
  readonly onPress: () => void
  readonly children: ReactNode
}

const Tool = ({ label, keys, on, off = false, onPress, children }: ToolProps) => (
  <button
    type="button"
    aria-label={label}
    title={keys ? `${label}, ${keys}` : label}
    aria-pressed={on}
    disabled={off}
    onClick={onPress}
    className={classNames(
      'flex size-8 items-center justify-center rounded-md disabled:text-ash-5',
      on ? 'bg-spruce-tint text-spruce' : 'hover:bg-ash-3',
    )}
  >
    {children}
  </button>
)

const Between = () => <span aria-hidden className="mx-1 h-5 border-l border-ash-4" />
