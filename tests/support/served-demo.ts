import { inject } from 'vitest'
import { demoPeople, loadDemo } from '@/demo/load'
import { closeCatalogue } from '@/server/catalogue'
import type { Running } from '@/setup/application'
import { application, browserAt } from './application'
import type { Browser } from './browser'

interface ServedDemo {
  readonly running: Running
  /** One of the staff, signed in. */
  readonly clerk: Browser
  /** The path of the demo's first book. */
  readonly emberly: string
}

/** The application with the demo's books and records in a catalogue of its own. */
export async function servedDemo(catalogue: string): Promise<ServedDemo> {
  process.env.HEARTH_DATABASE_URL = `${inject('databaseUrl')}/${catalogue}`
  await loadDemo({ say: () => undefined })
  await closeCatalogue()
  const running = await application(catalogue)
  const clerk = await browserAt(running.url)
  const staff = demoPeople.find((person) => person.role === 'staff')!
  await clerk.signIn(staff.name, staff.password)
  await clerk.press('Emberly Flue Care')
  await clerk.read('400 records')
  return { running, clerk, emberly: (await clerk.path()).replace('/records', '') }
}
