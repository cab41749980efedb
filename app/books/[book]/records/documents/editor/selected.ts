import type { Editor } from '@tiptap/core'
import type { ResolvedPos } from '@tiptap/pm/model'
import { NodeSelection, type Transaction } from '@tiptap/pm/state'
import { sameJson } from '@/core/words'
import type { Settings } from './text-of'

const names = ['chip', 'code', 'fields', 'rows', 'picture', 'room', 'signatures', 'pageTurn', 'horizontalRule'] as const
export type PartName = (typeof names)[number]

interface At {
  readonly at: number
  readonly attrs: Readonly<Record<string, unknown>>
}

/** The part of a text that is chosen, the one under whose condition it stands, and the e-mail that one writes in. */
export interface Selected {
  readonly part: (At & { readonly name: PartName }) | undefined
  readonly only: At | undefined
  readonly mail: At | undefined
  /** The table of one's own that one writes in. */
  readonly table: At | undefined
}

/** Nothing is chosen. */
export const none: Selected = { part: undefined, only: undefined, mail: undefined, table: undefined }

const isPart = (name: string): name is PartName => (names as readonly string[]).includes(name)

export function selectedIn(editor: Editor): Selected {
  const { selection } = editor.state
  const node = selection instanceof NodeSelection ? selection.node : undefined
  const name = node?.type.name ?? ''
  const part = node && isPart(name) ? { name, at: selection.from, attrs: node.attrs } : undefined
  const own = node && { at: selection.from, attrs: node.attrs }
  if (name === 'only') return { ...none, only: own }
  if (name === 'mail') return { ...none, mail: own }
  const { $from } = selection
  return { part, only: around($from, 'only'), mail: around($from, 'mail'), table: around($from, 'table') }
}

/** The innermost node of a kind around a place. */
function around($from: ResolvedPos, name: string): At | undefined {
  for (let depth = $from.depth; depth > 0; depth--) {
    const node = $from.node(depth)
    if (node.type.name === name) return { at: $from.before(depth), attrs: node.attrs }
  }
  return undefined
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
