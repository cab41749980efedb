import { Decoration, type DecorationSet, EditorView, ViewPlugin, type ViewUpdate } from '@codemirror/view'
import { type Paint, paintsOf } from '@/core/expressions'

/** How each part of an expression is drawn; the words and their place tell as much as the colours. */
const marks = Object.fromEntries(
  (['word', 'function', 'name', 'text', 'number', 'remark'] as const).map((paint) => [
    paint,
    Decoration.mark({ class: `ht-${paint}` }),
  ]),
) as Record<Paint, Decoration>

const painted = (view: EditorView): DecorationSet =>
  Decoration.set(
    paintsOf(view.state.doc.toString()).map(({ start, end, paint }) => marks[paint].range(start, end)),
    true,
  )

/** Colours what is written, anew with every letter. */
export const painting = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet
    constructor(view: EditorView) {
      this.decorations = painted(view)
    }
    update(update: ViewUpdate) {
      if (update.docChanged) this.decorations = painted(update.view)
    }
  },
  { decorations: (plugin) => plugin.decorations },
)

/** The tokens of the look, for an editor that brings styles of its own. */
export const editorLook = EditorView.theme({
  '&': { fontSize: '13px', color: 'var(--ink)', backgroundColor: 'var(--paper)', borderRadius: '6px' },
  '&.cm-focused': { outline: '2px solid var(--spruce)', outlineOffset: '1px' },
  '.cm-scroller': { fontFamily: 'var(--font-mono, monospace)', lineHeight: '1.5' },
  '.cm-content': { padding: '6px 0', caretColor: 'var(--ink)' },
  '.cm-line': { padding: '0 10px' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '&.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground, .cm-selectionBackground': {
    backgroundColor: 'var(--spruce-tint)',
  },
  '.cm-placeholder': { color: 'var(--ash-5)' },
  '.cm-matchingBracket': { backgroundColor: 'var(--ash-3)' },
  '.ht-word': { color: 'var(--plum)', fontWeight: '600' },
  '.ht-function': { color: 'var(--sky)' },
  '.ht-name': { color: 'var(--spruce)' },
  '.ht-text': { color: 'var(--moss)' },
  '.ht-number': { color: 'var(--brass)' },
  '.ht-remark': { color: 'var(--ash-5)', fontStyle: 'italic' },
  '.cm-lintRange-error': {
    backgroundImage: 'none',
    textDecoration: 'underline wavy var(--ember)',
    textUnderlineOffset: '3px',
  },
  '.cm-tooltip': {
    border: 'none',
    borderRadius: '6px',
    backgroundColor: 'var(--paper)',
    color: 'var(--ink)',
    boxShadow: 'var(--float)',
    zIndex: '60',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul': { fontFamily: 'inherit', maxHeight: '15em', padding: '4px' },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li': {
    display: 'flex',
    gap: '12px',
    justifyContent: 'space-between',
    padding: '3px 8px',
    borderRadius: '4px',
    lineHeight: '1.5',
  },
  '.cm-tooltip-autocomplete > ul > li[aria-selected]': { backgroundColor: 'var(--spruce-tint)', color: 'var(--ink)' },
  '.cm-completionMatchedText': { textDecoration: 'none', fontWeight: '700' },
  '.cm-completionDetail': { marginLeft: '0', fontStyle: 'normal', color: 'var(--ash-5)' },
  '.cm-tooltip-lint': { padding: '4px 8px', maxWidth: '360px' },
})
