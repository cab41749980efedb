/** Puts text on the clipboard; where the page has no way of its own there, as on plain addresses of an office, by a box. */
export async function putOnClipboard(text: string): Promise<boolean> {
  try {
    await navigator.clipboard.writeText(text)
    return true
  } catch {
    return copyFromBox(text)
  }
}

function copyFromBox(text: string): boolean {
  const before = document.activeElement
  const box = document.createElement('textarea')
  box.value = text
  box.style.cssText = 'position:fixed;opacity:0'
  document.body.append(box)
  box.select()
  // The only way left where the address isn't a safe one.
  const copied = document.execCommand('copy')
  box.remove()
  if (before instanceof HTMLElement) before.focus()
  return copied
}
