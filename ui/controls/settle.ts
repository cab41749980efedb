const settlers = new WeakMap<Element, () => Promise<boolean>>()

/** Notes what a box does with words that it has not yet made anything of; undone by what is returned. */
export function onSettle(box: Element, settle: () => Promise<boolean>): () => void {
  settlers.set(box, settle)
  return () => void settlers.delete(box)
}

/** Lets the box one is in make of its words what leaving it would; whether it could. */
export const settleBox = async (box: Element | null): Promise<boolean> => (box && (await settlers.get(box)?.())) ?? true
