import { say, Stop } from './say.mjs'

type Ending = () => Promise<void> | void

/**
 * Runs a script so that everything it started is ended in order: at its end, on Ctrl-C, on being told
 * to stop, and when something goes wrong. Problems with words are told; others keep their trace.
 */
export async function runScript(work: (later: (ending: Ending) => void) => Promise<number | void>): Promise<never> {
  const endings: Ending[] = []
  let ending: Promise<void> | undefined
  const endAll = () =>
    (ending ??= (async () => {
      for (const one of endings.reverse()) await Promise.resolve(one()).catch(() => undefined)
    })())
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => void endAll().then(() => process.exit(signal === 'SIGINT' ? 130 : 143)))
  try {
    const code = await work((one) => endings.push(one))
    await endAll()
    process.exit(code ?? 0)
  } catch (cause) {
    await endAll()
    say(cause instanceof Stop ? cause.message : cause instanceof Error ? (cause.stack ?? cause.message) : String(cause))
    process.exit(1)
  }
}
