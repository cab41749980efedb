// By the form's own control: each form waits for its own alone.
const arriving = new WeakMap<object, Set<Promise<unknown>>>()

/** Notes that something a form is waiting for is on its way: a file that is sent, a record that is looked for. */
export function noteArriving(form: object, work: Promise<unknown>): void {
  const all = arriving.get(form) ?? new Set()
  arriving.set(form, all)
  all.add(work)
  void work.finally(() => all.delete(work))
}

/** Once a form waits for nothing any more. */
export const allArrived = async (form: object): Promise<void> =>
  void (await Promise.allSettled([...(arriving.get(form) ?? [])]))
