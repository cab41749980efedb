let pressed = false
let waiting: (() => void)[] = []

if (typeof document !== 'undefined') {
  const end = () => {
    pressed = false
    const acts = waiting
    waiting = []
    // The click itself comes first.
    setTimeout(() => acts.forEach((act) => act()))
  }
  document.addEventListener('pointerdown', () => (pressed = true), true)
  document.addEventListener('pointerup', end, true)
  document.addEventListener('pointercancel', end, true)
}

/**
 * Does something at once, or, while the mouse or a finger is pressed down, after that. Words that come up under a box
 * as it is left would push what is being pressed from under the pointer, and the press would be for nothing.
 */
export function afterPress(act: () => void): void {
  if (pressed) waiting.push(act)
  else act()
}
