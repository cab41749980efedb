import { afterAll, inject } from 'vitest'
import { startApplication, type Running } from '@/scripts/setup/application'
import { freePort } from '@/scripts/setup/free-port'
import { Browser } from './browser'

const secret = 'a secret for tests only, long enough to seal'

/** The application on a catalogue of its own, for one file of journeys. */
export async function application(catalogue: string): Promise<Running> {
  const running = await startApplication({
    port: await freePort(),
    databaseUrl: `${inject('databaseUrl')}/${catalogue}`,
    secret,
    quiet: true,
  })
  afterAll(() => running.stop())
  return running
}

/** Starts the same application again, as after a crash. */
export const restarted = async (before: Running, catalogue: string): Promise<Running> => {
  const running = await startApplication({
    port: Number(new URL(before.url).port),
    databaseUrl: `${inject('databaseUrl')}/${catalogue}`,
    secret,
    quiet: true,
  })
  afterAll(() => running.stop())
  return running
}

export async function browserAt(url: string): Promise<Browser> {
  const browser = await Browser.start(url)
  afterAll(() => browser.end())
  return browser
}
