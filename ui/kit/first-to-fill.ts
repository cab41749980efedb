const boxes = 'input:not([type=hidden], [type=checkbox], [type=radio], [type=file]), textarea, select'

/** Where one goes on typing: the first box that is empty, or the first one. */
export function firstToFill(part: HTMLElement): HTMLElement | undefined {
  const all = [...part.querySelectorAll<HTMLInputElement>(boxes)].filter((box) => !box.disabled && !box.readOnly)
  return all.find((box) => !box.value) ?? all[0]
}
