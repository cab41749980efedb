'use client'

import { autocompletion, closeCompletion, completionKeymap, completionStatus } from '@codemirror/autocomplete'
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands'
import { lintKeymap, setDiagnostics } from '@codemirror/lint'
import { EditorState } from '@codemirror/state'
import { drawSelection, EditorView, keymap, placeholder as inPlace, tooltips } from '@codemirror/view'
import { type Ref, useEffect, useImperativeHandle, useRef } from 'react'
import type { Failure, OfferedWord } from '@/core/expressions'
import { wordProblem } from '@/core/words'
import { offering } from './completions'
import { editorLook, painting } from './editor-look'

export interface EditorHandle {
  /** Puts words in where the caret is, and goes there. */
  readonly put: (words: string) => void
}

interface Props {
  readonly id: string
  readonly label: string
  readonly source: string
  readonly placeholder?: string | undefined
  readonly rows: number
  readonly autoFocus?: boolean | undefined
  readonly words: () => readonly OfferedWord[]
  readonly wrong: Failure | undefined
  readonly describedBy: string
  readonly onChange: (source: string) => void
  /** Told what stands there: the last letters may not have been drawn yet. */
  readonly onLeave?: ((source: string) => void) | undefined
  readonly handle?: Ref<EditorHandle>
}

/** Where an expression is written: names offered while one types, colours, and what is wrong underlined. */
export function ExpressionEditor(props: Props) {
  const { source, wrong } = props
  const place = useRef<HTMLDivElement>(null)
  const view = useRef<EditorView>(undefined)
  const latest = useRef(props)
  // What was told to whoever keeps the source and has not come back yet: typing may be ahead of drawing.
  const told = useRef(new Set<string>())
  useEffect(() => {
    latest.current = props
  })

  useEffect(() => {
    const made = editorIn(place.current!, latest, told.current)
    view.current = made
    if (latest.current.autoFocus) made.focus()
    const letGo = closeOffersFirst(made)
    // A label leads to boxes by itself, but not to an editor.
    const label = document.querySelector(`label[for="${CSS.escape(latest.current.id)}"]`)
    const focus = () => made.focus()
    label?.addEventListener('click', focus)
    return () => {
      label?.removeEventListener('click', focus)
      letGo()
      made.destroy()
    }
  }, [])

  useEffect(() => {
    const now = view.current
    if (!now) return
    const same = now.state.doc.toString() === source
    const own = told.current.has(source)
    if (same) told.current.clear()
    if (same || own) return
    now.dispatch({ changes: { from: 0, to: now.state.doc.length, insert: source } })
  }, [source])

  useEffect(() => {
    const now = view.current
    if (!now) return
    now.contentDOM.setAttribute('aria-invalid', String(wrong !== undefined))
    const length = now.state.doc.length
    const range = wrong && { from: Math.min(wrong.at.start, length), to: Math.min(wrong.at.end, length) }
    now.dispatch(
      setDiagnostics(
        now.state,
        range && range.to > range.from ? [{ ...range, severity: 'error', message: wordProblem(wrong.problem) }] : [],
      ),
    )
  }, [wrong, source])

  useImperativeHandle(
    props.handle,
    () => ({
      put(words) {
        const now = view.current!
        const { from } = now.state.selection.main
        const before = now.state.sliceDoc(from - 1, from)
        now.dispatch(now.state.replaceSelection(`${/[^\s(.]/.test(before) ? ' ' : ''}${words} `))
        now.focus()
      },
    }),
    [],
  )
  return <div ref={place} className="rounded-md border border-ash-4 bg-paper" />
}

function editorIn(parent: HTMLElement, latest: { readonly current: Props }, told: Set<string>): EditorView {
  const { id, label, source, placeholder, rows, describedBy } = latest.current
  return new EditorView({
    parent,
    state: EditorState.create({
      doc: source,
      extensions: [
        history(),
        drawSelection(),
        EditorView.lineWrapping,
        EditorState.tabSize.of(2),
        painting,
        editorLook,
        autocompletion({
          override: [offering(() => latest.current.words())],
          icons: false,
          activateOnTypingDelay: 60,
          tooltipClass: () => 'ht-offers',
        }),
        // Within a dialog, so that the rest of the page stays out of reach; beside it, so that nothing is cut off.
        tooltips({ parent: parent.closest<HTMLElement>('[role=dialog]') ?? document.body, position: 'absolute' }),
        keymap.of([...completionKeymap, ...defaultKeymap, ...historyKeymap, ...lintKeymap]),
        EditorView.contentAttributes.of({
          id,
          'aria-label': label,
          'aria-describedby': describedBy,
          spellcheck: 'false',
          style: `min-height: ${rows * 1.5 * 13 + 12}px`,
        }),
        ...(placeholder ? [inPlace(placeholder)] : []),
        EditorView.updateListener.of((update) => {
          const now = update.state.doc.toString()
          if (!update.docChanged || now === latest.current.source) return
          told.add(now)
          latest.current.onChange(now)
        }),
        EditorView.domEventHandlers({ blur: (_, view) => latest.current.onLeave?.(view.state.doc.toString()) }),
      ],
    }),
  })
}

/** Escape closes what is offered before it closes the dialog around it, which hears of it first otherwise. */
function closeOffersFirst(view: EditorView): () => void {
  const hear = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || completionStatus(view.state) !== 'active') return
    closeCompletion(view)
    event.stopPropagation()
    event.preventDefault()
  }
  window.addEventListener('keydown', hear, true)
  return () => window.removeEventListener('keydown', hear, true)
}
