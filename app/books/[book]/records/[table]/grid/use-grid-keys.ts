import type { ClipboardEvent, KeyboardEvent } from 'react'
import { flushSync } from 'react-dom'
import type { Field } from '@/core/book'
import { isTyped, kindOf } from '@/core/kinds'
import { keyName } from '@/ui/key-name'
import { cellsOfPage, cellsOfText, textOfCells } from '../../clipboard-cells'
import type { GridLines } from './grid-lines'
import { across, type Block, moved, type Place } from './place'

export interface GridActs {
  readonly lines: GridLines
  readonly columns: readonly Field[]
  readonly here: Place
  /** The other corner of what is chosen. */
  readonly end: Place
  readonly block: Block
  readonly page: number
  readonly go: (to: Place, extend?: boolean) => void
  readonly edit: (anew: boolean) => void
  readonly clear: () => void
  readonly tick: () => void
  readonly repeat: () => void
  readonly takeOut: () => void
  readonly undo: () => void
  readonly redo: () => void
  readonly leave: () => unknown
  readonly nextWrong: () => void
  readonly wordsAt: (at: number, column: number) => string
  readonly paste: (cells: readonly (readonly string[])[]) => void
}

/** Whether somebody types into a cell. */
export const mayType = (field: Field) => isTyped(field) && !['file', 'given'].includes(kindOf(field.kind).control)

/** What the keys do while one isn't typing into a cell. */
export function gridKeys(acts: GridActs) {
  const { lines, columns, here, page } = acts
  const extent = { lines: lines.count, columns: columns.length, page }
  const named: Readonly<Record<string, () => unknown>> = {
    Enter: () => acts.go({ ...here, at: Math.min(lines.count - 1, here.at + 1) }),
    'Shift Enter': () => acts.go({ ...here, at: Math.max(0, here.at - 1) }),
    F2: () => acts.edit(false),
    Delete: acts.clear,
    Backspace: acts.clear,
    'Alt R': acts.repeat,
    'Alt A': () => lines.fresh > 0 && acts.go({ at: lines.fresh - 1, column: 0 }),
    'Alt W': acts.nextWrong,
    'Alt Delete': acts.takeOut,
    'Ctrl Z': acts.undo,
    'Ctrl Y': acts.redo,
    'Ctrl Shift Z': acts.redo,
    'Ctrl A': () => {
      acts.go({ at: 0, column: 0 })
      acts.go({ at: lines.count - 1, column: columns.length - 1 }, true)
    },
    Escape: acts.leave,
  }

  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (event.target !== event.currentTarget) return
    if (event.key === 'Tab') {
      const next = across(here, event.shiftKey ? -1 : 1, extent)
      // Beyond the last cell, and before the first, one leaves the grid as anything else.
      if (!next) return
      event.preventDefault()
      return acts.go(next)
    }
    const field = columns[here.column]
    const isTick = field && kindOf(field.kind).control === 'tick'
    const to = event.altKey
      ? undefined
      : moved(event.shiftKey ? acts.end : here, event.key, event.ctrlKey || event.metaKey, extent)
    const act = named[keyName(event.nativeEvent)]
    if (to) acts.go(to, event.shiftKey)
    else if (act) act()
    else if (event.key === ' ' && isTick) acts.tick()
    else {
      // The box is there before the letter is, so that it goes into it whatever makes letters: also those of several keys.
      if (isLetter(event) && !isTick) flushSync(() => acts.edit(true))
      return
    }
    event.preventDefault()
  }

  const onCopy = (event: ClipboardEvent<HTMLElement>, cut = false) => {
    if (event.target !== event.currentTarget) return
    event.preventDefault()
    const { top, bottom, left, right } = acts.block
    const cells = Array.from({ length: bottom - top + 1 }, (_, line) =>
      Array.from({ length: right - left + 1 }, (_, place) => acts.wordsAt(top + line, left + place)),
    )
    event.clipboardData.setData('text/plain', textOfCells(cells))
    if (cut) acts.clear()
  }

  const onPaste = (event: ClipboardEvent<HTMLElement>) => {
    if (event.target !== event.currentTarget) return
    event.preventDefault()
    const [text, page] = [event.clipboardData.getData('text/plain'), event.clipboardData.getData('text/html')]
    const cells = text.includes('\t') ? undefined : cellsOfPage(page)
    acts.paste(cells ?? cellsOfText(text))
  }
  return { onKeyDown, onCopy, onCut: (event: ClipboardEvent<HTMLElement>) => onCopy(event, true), onPaste }
}

const isLetter = ({ key, ctrlKey, metaKey, altKey }: KeyboardEvent) =>
  !ctrlKey && !metaKey && !altKey && (key.length === 1 || key === 'Process' || key === 'Dead')
