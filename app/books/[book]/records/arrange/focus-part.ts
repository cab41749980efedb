/** A part has the focus, wherever it was moved to. */
export function focusPart(id: string): void {
  requestAnimationFrame(() => {
    const handle = document.querySelector<HTMLElement>(`[data-handle="${CSS.escape(id)}"]`)
    handle?.focus()
    handle?.scrollIntoView({ block: 'nearest' })
  })
}
