import { afterAll, inject } from 'vitest'
import { startApplication, type Running } from '@/setup/application'
import { freePort } from '@/setup/free-port'
import { Browser } from './browser'

// Hooks can't be asked for from inside a test, so what is started there is noted here and ended by this one.
const endings: (() => Promise<unknown>)[] = []
afterAll(async () => {
  for (const end of endings.reverse()) await end()
})

const secret = 'a secret for tests only, long enough to seal'

/** The application on a catalogue of its own, for one file of journeys. */
export async function application(catalogue: string): Promise<Running> {
  const running = await startApplication({
    port: await freePort(),
    databaseUrl: `${inject('databaseUrl')}/${catalogue}`,
    secret,
    quiet: true,
  })
  endings.push(() => running.stop())
  return running
}

export async function browserAt(url: string): Promise<Browser> {
  const browser = await Browser.start(url)
  endings.push(() => browser.end())
  return browser
}
