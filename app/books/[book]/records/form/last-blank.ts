/**
 * What is saved has no blanks at its end. Whoever has just typed one and saved goes on with the next word, though:
 * the blank comes back with the next letter, if that is typed at the end of the same box.
 */
let owed = ''
let forget = () => {}

/** The blank that is owed to the box one is in. */
export const owedBlank = (): string => owed

/** Notes the blank at the end of the box one is in, before the form is filled with what was saved. */
export function noteBlank(frame: HTMLElement | null): void {
  const box = document.activeElement
  if (!takesLetters(box) || !frame?.contains(box)) return
  const typed = box.value
  const blank = /\s+$/.exec(typed)?.[0]
  if (!blank) return
  // What was saved stands in the box only once what is being drawn is drawn.
  queueMicrotask(() => {
    if (document.activeElement === box && box.value + blank === typed) giveBlank(box, blank)
  })
}

/** Puts a blank before the next letter typed at the end of a box. */
export function giveBlank(box: Element | null, blank: string): void {
  forget()
  if (!blank || !takesLetters(box)) return
  const onInput = (event: InputEvent) => {
    forget()
    const isAtEnd = box.selectionStart === box.value.length
    if (event.inputType !== 'insertText' || !event.data?.trim() || !isAtEnd) return
    event.preventDefault()
    // As if it was typed, so that it can be undone, and whoever listens to the box hears of it.
    document.execCommand('insertText', false, blank + event.data)
  }
  const onLeave = () => forget()
  box.addEventListener('beforeinput', onInput as EventListener)
  box.addEventListener('blur', onLeave)
  owed = blank
  forget = () => {
    box.removeEventListener('beforeinput', onInput as EventListener)
    box.removeEventListener('blur', onLeave)
    owed = ''
    forget = () => {}
  }
}

const takesLetters = (box: Element | null): box is HTMLInputElement | HTMLTextAreaElement =>
  box instanceof HTMLTextAreaElement || (box instanceof HTMLInputElement && box.type === 'text')
