import type { Editor } from '@tiptap/core'
import { NodeSelection, type Transaction } from '@tiptap/pm/state'
import { sameJson } from '@/core/words'
import type { Settings } from './text-of'

const names = ['chip', 'code', 'fields', 'rows', 'room', 'signatures', 'pageTurn', 'horizontalRule'] as const
export type PartName = (typeof names)[number]

/** The part of a text that is chosen, and the one under whose condition it stands. */
export interface Selected {
  readonly part:
    { readonly name: PartName; readonly at: number; readonly attrs: Readonly<Record<string, unknown>> } | undefined
  readonly only: { readonly at: number; readonly attrs: Readonly<Record<string, unknown>> } | undefined
}

const isPart = (name: string): name is PartName => (names as readonly string[]).includes(name)

export function selectedIn(editor: Editor): Selected {
  const { selection } = editor.state
  const node = selection instanceof NodeSelection ? selection.node : undefined
  const name = node?.type.name ?? ''
  const part = node && isPart(name) ? { name, at: selection.from, attrs: node.attrs } : undefined
  if (node && name === 'only') return { part: undefined, only: { at: selection.from, attrs: node.attrs } }
  const { $from } = selection
  for (let depth = $from.depth; depth > 0; depth--) {
    const around = $from.node(depth)
    if (around.type.name === 'only') return { part, only: { at: $from.before(depth), attrs: around.attrs } }
  }
  return { part, only: undefined }
}

/** Changes what a part is, wherever the focus is; it stays chosen. */
export function setPart(editor: Editor, at: number, attrs: object): void {
  const node = editor.state.doc.nodeAt(at)
  if (!node) return
  const change = editor.state.tr.setNodeMarkup(at, undefined, { ...node.attrs, ...attrs })
  if (editor.state.selection instanceof NodeSelection && editor.state.selection.from === at)
    change.setSelection(NodeSelection.create(change.doc, at))
  editor.view.dispatch(change)
}

/** Takes a part out. */
export function dropPart(editor: Editor, at: number): void {
  const node = editor.state.doc.nodeAt(at)
  if (node)
    editor
      .chain()
      .deleteRange({ from: at, to: at + node.nodeSize })
      .focus()
      .run()
}

interface LastSetting {
  readonly change: Transaction
  readonly key: string
}

const lastSettings = new WeakMap<Editor, LastSetting>()

/** What is typed letter by letter is one change, as long as the next letter comes within this, in milliseconds. */
const together = 1000

/** What isn't the document's text. A name that is typed is taken back as a whole. */
export function setSettings(editor: Editor, settings: Settings): void {
  const before = (editor.state.doc.attrs.settings ?? {}) as Partial<Settings>
  const key = (Object.keys({ ...before, ...settings }) as (keyof Settings)[])
    .filter((one) => !sameJson(before[one] ?? null, settings[one] ?? null))
    .join(' ')
  const change = editor.state.tr.setDocAttribute('settings', settings)
  const last = lastSettings.get(editor)
  // The history puts what is appended to a change into one step with it.
  if (last?.key === key && change.time - last.change.time < together) change.setMeta('appendedTransaction', last.change)
  lastSettings.set(editor, { change, key })
  editor.view.dispatch(change)
}
